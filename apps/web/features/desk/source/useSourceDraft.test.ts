/** @jest-environment jsdom */
import { act, renderHook, waitFor } from '@testing-library/react';
import type { DraftNote, Question } from '../engine/protocol';
import type { Engine } from '../engine/useEngine';
import { AT_FIRST, conflictWith, deskOf, DraftsHere, engineHere, OnePageServer } from '../testing/desk';
import { useDesk } from '../useDesk';
import { useSourceDraft } from './useSourceDraft';

const PAGE = '<h2>Wax</h2>\n<p>The frames of the hive are drawn in wax.</p>';
const TYPED = `${PAGE}\n<p><img src="hive.png"></p>`;

beforeEach(() => {
  // jsdom measures nothing.
  Object.assign(performance, { measure: () => undefined, clearMeasures: () => undefined });
});

function start(engine: Engine = engineHere(), html = PAGE, drafts = new DraftsHere()) {
  const server = new OnePageServer(deskOf(html));
  const { result, unmount } = renderHook(() => {
    const [state, actions] = useDesk(server.desk, AT_FIRST);
    return { state, draft: useSourceDraft(state.desk, actions, engine, drafts) };
  });
  return { server, drafts, unmount, draft: () => result.current.draft, state: () => result.current.state };
}

test('what is typed is kept in the browser at once, and looked at', async () => {
  const { draft, drafts } = start();
  await act(async () => draft().type(TYPED));
  expect(drafts.draft).toMatchObject({ base: 1, html: TYPED });
  expect([draft().text, draft().changed, draft().kept]).toEqual([TYPED, true, true]);
  await waitFor(() => expect(draft().noted).toBe(TYPED));
  expect(draft().notes.map((note) => note.rule)).toEqual(['images/no-alternative']);
});

test('typing back to what is saved leaves no draft', async () => {
  const { draft, drafts } = start();
  await act(async () => draft().type(TYPED));
  await act(async () => draft().type(PAGE));
  expect(drafts.draft).toBeNull();
  expect(draft().changed).toBe(false);
});

test('a draft of an earlier visit is found, with the revision it began from, and looked at', async () => {
  const { draft, drafts } = start(
    engineHere(),
    PAGE,
    new DraftsHere({ base: 1, revision: 1, html: TYPED, at: '2026-03-01T08:00:00.000Z' }),
  );
  await waitFor(() => expect(draft().found).not.toBeNull());
  expect([draft().text, draft().found, draft().base]).toEqual([TYPED, '2026-03-01T08:00:00.000Z', 1]);
  await waitFor(() => expect(draft().notes).toHaveLength(1));
  await act(async () => draft().drop());
  expect([draft().text, draft().found, drafts.draft]).toEqual([PAGE, null, null]);
});

test('saving makes a revision, and the draft is done with', async () => {
  const { draft, drafts, server, state } = start();
  await act(async () => draft().type(TYPED));
  await act(() => draft().save());
  expect(server.asked).toMatchObject([{ action: 'source', body: { version: 1, html: TYPED } }]);
  expect([draft().changed, draft().base, drafts.draft]).toEqual([false, 2, null]);
  expect(state().open.map(({ note }) => note.rule)).toEqual(['images/no-alternative']);
});

test('while one audit runs only the newest text waits', async () => {
  const asked: string[] = [];
  const answers: ((notes: DraftNote[]) => void)[] = [];
  const slow = {
    stop: () => undefined,
    ask: (question: Question) =>
      new Promise((resolve) => {
        if (question.kind !== 'audit') return;
        asked.push(question.page.source);
        answers.push(resolve);
      }),
  } as unknown as Engine;
  const { draft } = start(slow);
  for (const end of ['1', '12', '123']) await act(async () => draft().type(`${PAGE}${end}`));
  expect(asked).toEqual([`${PAGE}1`]);
  await act(async () => answers[0]!([]));
  expect(asked).toEqual([`${PAGE}1`, `${PAGE}123`]);
  await act(async () => answers[1]!([]));
  expect(draft().noted).toBe(`${PAGE}123`);
});

test('a browser that keeps nothing is told of', async () => {
  const { draft, drafts } = start();
  drafts.full = true;
  await act(async () => draft().type(TYPED));
  expect([draft().text, draft().kept]).toEqual([TYPED, false]);
});

test('after a conflict one builds on their revision with one’s own text', async () => {
  const { draft, drafts, server } = start();
  await act(async () => draft().type(TYPED));
  server.refuses = conflictWith(`${PAGE}<p>Theirs</p>`);
  await act(() => draft().save());
  expect(draft().theirs).toMatchObject({ revision: 9, by: 'Tom Arkle' });
  await act(async () => draft().settle({ mine: TYPED }));
  expect([draft().theirs, draft().base, draft().text]).toEqual([null, 9, TYPED]);
  expect(drafts.draft).toMatchObject({ base: 9, html: TYPED });
});

test('or takes theirs, and the draft is done with', async () => {
  const { draft, drafts, server } = start();
  await act(async () => draft().type(TYPED));
  server.refuses = conflictWith(`${PAGE}<p>Theirs</p>`);
  await act(() => draft().save());
  await act(async () => draft().settle('take theirs'));
  expect([draft().theirs, draft().text, drafts.draft]).toEqual([null, `${PAGE}<p>Theirs</p>`, null]);
});
