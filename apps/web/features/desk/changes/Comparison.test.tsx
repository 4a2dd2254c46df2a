/** @jest-environment jsdom */
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { RevisionsCompared } from '@inkwell/review';
import { deskOf } from '../testing/desk';
import { Comparison } from './Comparison';

const HISTORY = [3, 2, 1].map((number) => ({ number, cause: 'edit', note: '', by: 'Ines Calder', at: '2026-03-02T09:00:00.000Z' }));
const DESK = deskOf('<p>The hive stands in the snow.</p>', 3, { history: HISTORY });

function start(answer: unknown) {
  const asked: unknown[] = [];
  globalThis.fetch = ((_address: string, init: { body: string }) => {
    asked.push(JSON.parse(init.body));
    return Promise.resolve({ json: () => Promise.resolve(answer) });
  }) as unknown as typeof fetch;
  const onPair = jest.fn();
  render(<Comparison desk={DESK} pair={{ from: 1, to: 3 }} onPair={onPair} />);
  return { asked, onPair, user: userEvent.setup() };
}

const note = (id: number, sentence: string) => ({ id, sentence, weight: 'must' });
const COMPARED = {
  from: { number: 1, html: '<p>The hive stands in the rain.</p>\n<p>It is old.</p>' },
  to: { number: 3, html: '<p>The hive stands in the snow.</p>\n<p>It is old.</p>' },
  fixed: [note(1, 'The link says only “here”')],
  kept: [],
  brought: [note(2, 'The image hive.png has no alternative text')],
} as unknown as RevisionsCompared;

test('two revisions are asked for, and what became of the notes is told', async () => {
  const { asked } = start({ ok: true, value: COMPARED });
  expect(await screen.findByText('The link says only “here”')).toBeTruthy();
  expect(asked).toEqual([{ from: 1, to: 3 }]);
  expect(screen.getAllByRole('heading', { level: 3 }).map((heading) => heading.textContent)).toEqual([
    'Fixed: 1 note',
    'Still there: 0 notes',
    'New: 1 note',
  ]);
  expect(within(screen.getByRole('heading', { name: 'New: 1 note' }).parentElement!).getByRole('listitem').textContent).toBe(
    'Must: The image hive.png has no alternative text',
  );
});

test('in the texts only the words that differ are marked', async () => {
  start({ ok: true, value: COMPARED });
  await screen.findByText('The link says only “here”');
  expect([...document.querySelectorAll('del')].map((one) => one.textContent).join('')).toBe('rain');
  expect([...document.querySelectorAll('mark')].map((one) => one.textContent).join('')).toBe('snow');
});

test('as proof both stand beside one another, each at its own address and without scripts', async () => {
  const { user } = start({ ok: true, value: COMPARED });
  await user.click(await screen.findByRole('radio', { name: 'as proof' }));
  const frames = screen.getAllByTitle(/Proof of revision/);
  expect(frames.map((frame) => frame.getAttribute('src'))).toEqual([
    expect.stringMatching(/revision=1$/),
    expect.stringMatching(/revision=3$/),
  ]);
  for (const frame of frames) expect(frame.getAttribute('sandbox')).not.toContain('allow-scripts');
});

test('either end can be another revision, but not the same one twice', async () => {
  const { user, onPair } = start({ ok: true, value: COMPARED });
  const to = screen.getByRole('combobox', { name: 'To' });
  expect([...to.querySelectorAll('option')].map((option) => option.value)).toEqual(['3', '2']);
  await user.selectOptions(to, '2');
  expect(onPair).toHaveBeenCalledWith({ from: 1, to: 2 });
});

test('a revision that is gone is told in words', async () => {
  start({ ok: false, problem: { code: 'not-found', what: 'This revision is not here' } });
  expect(await screen.findByText('This revision is not here')).toBeTruthy();
  expect(screen.queryByText('Comparing…')).toBeNull();
});
