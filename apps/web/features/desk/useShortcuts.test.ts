/** @jest-environment jsdom */
import { fireEvent, renderHook } from '@testing-library/react';
import { usePaletteKey, useShortcuts, whyNotKey, withOwnKeys } from './useShortcuts';

const USUAL = { on: true, assigned: {} };

function start(settings: Parameters<typeof useShortcuts>[1] = USUAL) {
  const next = jest.fn();
  renderHook(() => useShortcuts(shortcuts(next), settings));
  return { next };
}

let kept: { key: string; does: string; run(): void }[] | null = null;
function shortcuts(run: () => void) {
  return (kept ??= [{ key: 'j', does: 'Next note', run }]);
}

beforeEach(() => {
  kept = null;
  document.body.innerHTML =
    '<input><div role="dialog"><button>In a sheet</button></div><div class="cm-editor"><span tabindex="0">Source</span></div><p tabindex="0">Text</p>';
});

const on = (selector: string) => document.querySelector(selector)!;

test('a single key acts on the page', () => {
  const { next } = start();
  fireEvent.keyDown(on('p'), { key: 'j' });
  expect(next).toHaveBeenCalledTimes(1);
});

test.each(['input', '[role="dialog"] button', '.cm-editor span'])('and not in %s', (selector) => {
  const { next } = start();
  fireEvent.keyDown(on(selector), { key: 'j' });
  expect(next).not.toHaveBeenCalled();
});

test.each(['ctrlKey', 'metaKey', 'altKey'])('nor with %s held', (held) => {
  const { next } = start();
  fireEvent.keyDown(on('p'), { key: 'j', [held]: true });
  expect(next).not.toHaveBeenCalled();
});

test('single keys can be turned off', () => {
  const { next } = start({ on: false, assigned: {} });
  fireEvent.keyDown(on('p'), { key: 'j' });
  expect(next).not.toHaveBeenCalled();
});

test('a key that somebody chose acts in place of the usual one', () => {
  const { next } = start({ on: true, assigned: { j: 'ö' } });
  fireEvent.keyDown(on('p'), { key: 'j' });
  expect(next).not.toHaveBeenCalled();
  fireEvent.keyDown(on('p'), { key: 'ö' });
  expect(next).toHaveBeenCalledTimes(1);
});

test('a key is given to one thing only, and has to be one that can be typed', () => {
  const two = [
    { key: 'j', does: 'Next note', run: () => undefined },
    { key: 'k', does: 'Note before', run: () => undefined },
  ];
  const own = { on: true, assigned: { j: 'x', y: 'v' } };
  const keyed = withOwnKeys(two, own);
  const why = (key: string, usual: string) => whyNotKey(key, usual, keyed, own, ['y', 'z']);
  expect(why('k', 'j')).toMatch(/taken: Note before/);
  expect(why('x', 'k')).toMatch(/taken: Next note/);
  // What only other notes offer keeps its key too, and so does what was given another one.
  expect([why('z', 'k'), why('v', 'k')]).toEqual([expect.stringMatching(/other notes/), expect.stringMatching(/other notes/)]);
  expect([why('j', 'k'), why('x', 'j'), why('y', 'k')]).toEqual([null, null, null]);
  for (const none of ['Enter', ' ', 'F1']) expect(why(none, 'j')).toMatch(/letter/);
});

test('Ctrl or Command with K opens the palette from anywhere, also from a field', () => {
  const open = jest.fn();
  renderHook(() => usePaletteKey(open));
  fireEvent.keyDown(on('input'), { key: 'k', ctrlKey: true });
  fireEvent.keyDown(on('.cm-editor span'), { key: 'K', metaKey: true });
  expect(open).toHaveBeenCalledTimes(2);
  for (const other of [{ key: 'k' }, { key: 'k', ctrlKey: true, shiftKey: true }, { key: 'k', ctrlKey: true, altKey: true }])
    fireEvent.keyDown(on('p'), other);
  expect(open).toHaveBeenCalledTimes(2);
});

test('after a writing face has had the focus single keys are off, until the pointer goes elsewhere or Escape is pressed there', () => {
  const { next } = start();
  fireEvent.focusIn(on('.cm-editor span'));
  fireEvent.keyDown(on('p'), { key: 'j' });
  expect(next).not.toHaveBeenCalled();
  fireEvent.keyDown(on('.cm-editor span'), { key: 'Escape' });
  fireEvent.keyDown(on('p'), { key: 'j' });
  expect(next).not.toHaveBeenCalled();
  fireEvent.keyDown(on('p'), { key: 'Escape' });
  fireEvent.keyDown(on('p'), { key: 'j' });
  expect(next).toHaveBeenCalledTimes(1);
  fireEvent.focusIn(on('.cm-editor span'));
  fireEvent.pointerDown(on('p'));
  fireEvent.keyDown(on('p'), { key: 'j' });
  expect(next).toHaveBeenCalledTimes(2);
});
