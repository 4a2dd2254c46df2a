/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import { NO_FILTER } from './note/filter';
import { AT_FIRST, conflictWith, deskOf, OnePageServer } from './testing/desk';
import { useDesk } from './useDesk';

const PAGE =
  '<h2>Wax</h2>\n<p><a href="a.html">here</a> and the frames</p>\n<p>Here it is <img src="hive.png"> in the snow.</p>\n<h4>Honey</h4>\n<p><a href="b.html">click here</a> for more of it</p>';

function start(place = AT_FIRST) {
  const server = new OnePageServer(deskOf(PAGE));
  const { result } = renderHook(() => useDesk(server.desk, place));
  return { server, state: () => result.current[0], actions: () => result.current[1] };
}

const rules = (state: ReturnType<ReturnType<typeof start>['state']>) => state.open.map(({ note }) => note.rule);

test('the first open note is at hand, and notes are numbered in the order of the page', () => {
  const { state } = start();
  expect(state().open.map(({ number }) => number)).toEqual([1, 2, 3, 4]);
  expect(rules(state())).toEqual(['links/vague', 'images/no-alternative', 'headings/leap', 'links/vague']);
  expect(state().inHand).toBe(state().open[0]);
});

test('next and before go round', () => {
  const { state, actions } = start();
  act(() => actions().step(-1));
  expect(state().inHand?.number).toBe(4);
  act(() => actions().step(1));
  expect(state().inHand?.number).toBe(1);
});

test('a fixed note is gone, the one behind it comes to hand, and it is told how many are left; numbers stay for the sitting', async () => {
  const { state, actions, server } = start();
  act(() => actions().choose(state().open[2]!.note.id));
  await act(() => actions().fix(state().inHand!.note, 'set-level', { level: '3' }));
  expect(server.desk.html).toContain('<h3>Honey</h3>');
  expect(server.asked).toMatchObject([{ action: 'fix', body: { version: 1, remedy: 'set-level', inputs: { level: '3' } } }]);
  expect(state().desk.revision.number).toBe(2);
  expect([state().inHand?.number, state().inHand?.note.rule]).toEqual([4, 'links/vague']);
  expect(state().said).toBe('Fixed, 3 left.');
});

test('when the last note is fixed the one before it comes to hand', async () => {
  const { state, actions } = start();
  act(() => actions().choose(state().open[3]!.note.id));
  await act(() => actions().fix(state().inHand!.note, 'reword', { text: 'More about honey' }));
  expect(state().inHand?.note.rule).toBe('headings/leap');
});

test('a fix that does not settle the note leaves it at hand and says so', async () => {
  const { state, actions } = start();
  act(() => actions().choose(state().open[2]!.note.id));
  // The server of these tests does nothing on this.
  await act(() => actions().fixAlike(state().inHand!.note, 'set-level', { level: '3' }, []));
  expect(state().inHand?.note.rule).toBe('headings/leap');
  expect(state().said).toBe('Done, and this note still stands.');
});

test('an answer that there is no problem settles a note; one for a specialist passes it by', async () => {
  const { state, actions } = start();
  const [first, second] = state().open;
  await act(() => actions().rule(first!.note, 'not sure'));
  expect(state().inHand?.note.id).toBe(second!.note.id);
  expect(state().said).toBe('Kept for a specialist, 4 open.');
  await act(() => actions().rule(second!.note, 'no problem'));
  expect(state().settled.map((note) => note.id)).toEqual([second!.note.id]);
  expect(state().said).toBe('Ruled out, 3 left.');
});

test('a question that is upheld and has no fix here stays in the list, and the one behind it comes to hand', async () => {
  const { state, actions } = start();
  const [first, second] = state().open;
  await act(() => actions().rule({ ...first!.note, remedies: [] }, 'stands'));
  expect(state().open.map(({ note }) => note.id)).toContain(first!.note.id);
  expect(state().inHand?.note.id).toBe(second!.note.id);
  expect(state().said).toBe('To be done elsewhere, 4 open.');
});

test('a filter narrows what next steps through, and numbers stay as they are on the page', () => {
  const { state, actions } = start();
  act(() => actions().setFilter({ ...NO_FILTER, family: 'links' }));
  expect(state().open.map(({ number }) => number)).toEqual([1, 4]);
  act(() => actions().step(1));
  expect(state().inHand?.number).toBe(4);
});

test('the note, face and filter of the address are where one begins', () => {
  const [, wanted] = deskOf(PAGE).notes;
  const { state } = start({ ...AT_FIRST, note: wanted!.id, face: 'outline' });
  expect(state().inHand?.note.id).toBe(wanted!.id);
  expect(state().face).toBe('outline');
});

test('a refusal keeps the page and the note, and tells why until it is put away', async () => {
  const { state, actions, server } = start();
  const before = state().inHand;
  server.refuses = conflictWith('<p>Theirs</p>');
  await act(() => actions().fix(before!.note, 'reword', { text: 'All about wax' }));
  expect(state().problem?.what).toBe('Someone saved before you');
  expect(state().inHand).toEqual(before);
  expect(state().busy).toBe(false);
  act(() => actions().dismiss());
  expect(state().problem).toBeNull();
});

test('a server that is away is told in words', async () => {
  const { state, actions } = start();
  globalThis.fetch = () => Promise.reject(new Error('refused'));
  let went: boolean | undefined;
  await act(async () => void (went = await actions().undo()));
  expect(went).toBe(false);
  expect(state().problem?.code).toBe('away');
});

test('pointing at a place shows it on the proof, and taking up a note ends it', () => {
  const { state, actions } = start({ ...AT_FIRST, face: 'spoken' });
  act(() => actions().point('/html[1]/body[1]/h4[1]'));
  expect([state().face, state().pointed]).toEqual(['proof', '/html[1]/body[1]/h4[1]']);
  act(() => actions().choose(state().open[2]!.note.id));
  expect(state().pointed).toBeNull();
});

test('keys typed ahead are done one after another, each on the page as the one before left it', async () => {
  const { state, actions, server } = start();
  const [first, , third] = state().open;
  await act(async () => {
    const both = [
      actions().fix(first!.note, 'reword', { text: 'All about wax' }),
      actions().fix(third!.note, 'set-level', { level: '3' }),
      actions().undo(),
    ];
    expect(state().busy).toBe(false);
    expect(await Promise.all(both)).toEqual([true, true, true]);
  });
  expect(server.asked.map(({ action, body }) => [action, body.version])).toEqual([
    ['fix', 1],
    ['fix', 2],
    ['undo', 3],
  ]);
  expect(state().busy).toBe(false);
});

test('when one is refused, what was typed ahead of its answer is dropped with it', async () => {
  const { state, actions, server } = start();
  server.refuses = conflictWith('<p>Theirs</p>');
  await act(
    async () =>
      void (await Promise.all([
        actions().fix(state().open[0]!.note, 'reword', { text: 'All about wax' }),
        actions().undo(),
        actions().undo(),
      ])),
  );
  expect(server.asked.map(({ action }) => action)).toEqual(['fix']);
  expect(state().problem?.what).toBe('Someone saved before you');
});

test('the same words said twice are told twice, and a choice says how many notes it leaves', async () => {
  const { state, actions } = start();
  act(() => actions().setFilter({ ...state().filter, family: 'links' }));
  expect(state().said).toBe('2 notes shown.');
  act(() => actions().setFilter({ ...state().filter, weight: '' }));
  expect(state().said).not.toBe('2 notes shown.');
  expect(state().said.trim()).toBe('2 notes shown.');
  await act(() => Promise.resolve());
});
