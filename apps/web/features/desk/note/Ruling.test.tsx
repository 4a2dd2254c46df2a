/** @jest-environment jsdom */
import type { Note } from '@inkwell/review';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { deskOf } from '../testing/desk';
import { Ruling } from './Ruling';

const asked = deskOf('<h2>Wax</h2><p>See <img src="hive.png" alt="A hive in snow"> in winter.</p>').notes.find(
  (note) => note.outcome === 'cantTell',
)!;

function start(note: Note) {
  const onAnswer = jest.fn();
  const onTakeBack = jest.fn();
  render(<Ruling note={note} disabled={false} onAnswer={onAnswer} onTakeBack={onTakeBack} />);
  return { onAnswer, onTakeBack, user: userEvent.setup() };
}

test('the rule’s own question is asked, with its own answers', async () => {
  const { user, onAnswer } = start(asked);
  expect(screen.getByRole('group', { name: 'Question' }).textContent).toContain(asked.question!.ask);
  for (const name of [asked.question!.yes, asked.question!.no, 'Not sure']) await user.click(screen.getByRole('button', { name }));
  expect(onAnswer.mock.calls).toEqual([['stands'], ['no problem'], ['not sure']]);
});

test('an answer says who gave it and when, and can be taken back', async () => {
  const { user, onTakeBack } = start({
    ...asked,
    ruled: 'stands',
    ruling: { answer: 'stands', by: 'Ines Calder', at: '2026-03-02T09:00:00.000Z' },
  });
  expect(screen.getByText(new RegExp(`${asked.question!.yes}, says Ines Calder`))).toBeTruthy();
  expect(screen.queryByRole('button', { name: asked.question!.no })).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Take the answer back' }));
  expect(onTakeBack).toHaveBeenCalledTimes(1);
});

test('a question kept for somebody who knows can still be answered by them', () => {
  start({ ...asked, ruled: 'not sure', ruling: { answer: 'not sure', by: 'Ines Calder', at: '2026-03-02T09:00:00.000Z' } });
  expect(screen.getByText(/waits for somebody who knows/)).toBeTruthy();
  expect(screen.getByRole('button', { name: asked.question!.yes })).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Not sure' })).toBeNull();
});

test('an answer that no longer holds for this page is not shown as one', () => {
  start({ ...asked, ruled: null, ruling: { answer: 'stands', by: 'Ines Calder', at: '2026-03-02T09:00:00.000Z' } });
  expect(screen.queryByText(/says Ines Calder/)).toBeNull();
  expect(screen.getByRole('button', { name: 'Not sure' })).toBeTruthy();
});

test('a failure asks nothing', () => {
  start(deskOf('<h2>Wax</h2><p><img src="hive.png"></p>').notes.find((note) => note.outcome === 'failed')!);
  expect(screen.queryByRole('group')).toBeNull();
});
