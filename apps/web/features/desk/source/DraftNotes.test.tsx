/** @jest-environment jsdom */
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { DraftNote } from '../engine/protocol';
import { PageReader } from '../engine/answer';
import { draftNoteId, DraftNotes } from './DraftNotes';

const reader = new PageReader();
const notesOf = (source: string): DraftNote[] =>
  reader.answer({
    kind: 'audit',
    page: { source, scope: 'fragment', title: 'Wax', address: 'wax.html', neighbours: { titles: {} } },
  }) as DraftNote[];
const rows = () =>
  within(screen.getByRole('list'))
    .getAllByRole('button')
    .map((row) => row.textContent);

test('a draft’s notes stand by line, with their weight in words and their family', () => {
  render(<DraftNotes notes={notesOf('<h2>Wax</h2>\n<p>See <img src="hive.png"> in winter.</p>')} taken={null} onTake={() => undefined} />);
  expect(screen.getByRole('heading', { name: 'In this draft: 1 note' })).toBeTruthy();
  expect(rows()).toEqual(['line 2Must: The image hive.png has no alternative textImages']);
});

test('a draft with nothing to fix says so', () => {
  render(<DraftNotes notes={[]} taken={null} onTake={() => undefined} />);
  expect(screen.getByRole('heading', { name: 'In this draft: nothing found' })).toBeTruthy();
  expect(screen.queryByRole('list')).toBeNull();
});

test('a note that is taken up shows why it matters and its fix', async () => {
  const notes = notesOf('<h2>Wax</h2>\n<p>See <img src="hive.png"> in winter.</p>');
  const onTake = jest.fn();
  const { rerender } = render(<DraftNotes notes={notes} taken={null} onTake={onTake} />);
  await userEvent.click(within(screen.getByRole('list')).getByRole('button'));
  expect(onTake).toHaveBeenCalledWith(notes[0]);
  rerender(
    <DraftNotes notes={notes} taken={notes[0]!} onTake={onTake}>
      <p>Its fix</p>
    </DraftNotes>,
  );
  const taken = screen.getByRole('region', { name: 'Note taken up' });
  expect(taken.textContent).toContain(notes[0]!.why);
  expect(taken.textContent).toContain('Its fix');
});

test('rows follow their notes when lines are put in above them', () => {
  const before = '<h2>Wax</h2>\n<p>See <img src="hive.png"> in winter.</p>';
  const { rerender } = render(<DraftNotes notes={notesOf(before)} taken={null} onTake={() => undefined} />);
  rerender(<DraftNotes notes={notesOf(`<p>First of all.</p>\n\n${before}`)} taken={null} onTake={() => undefined} />);
  expect(rows()[0]).toMatch(/^line 4/);
});

test('the first sixty are shown, and the rest on demand', async () => {
  const many = notesOf(Array.from({ length: 70 }, (_none, i) => `<p>Leaf ${i} <img src="leaf-${i}.png"> of many.</p>`).join('\n'));
  render(<DraftNotes notes={many} taken={null} onTake={() => undefined} />);
  expect(rows()).toHaveLength(60);
  await userEvent.click(screen.getByRole('button', { name: `Show ${many.length - 60} more` }));
  expect(rows()).toHaveLength(many.length);
});

test('a note keeps its name while its place moves, and two notes never share one', () => {
  const one = notesOf('<p>See <img src="hive.png"> in winter.</p>')[0]!;
  const moved = notesOf('<p>We see <img src="hive.png"> in winter.</p>')[0]!;
  expect(moved.start).not.toBe(one.start);
  expect(draftNoteId(moved)).toBe(draftNoteId(one));
  const ids = notesOf(
    '<p>See <img src="a.png"> and <img src="b.png"> and <a href="x.html">here</a> and <a href="y.html">here</a>.</p>',
  ).map(draftNoteId);
  expect(new Set(ids).size).toBe(ids.length);
});
