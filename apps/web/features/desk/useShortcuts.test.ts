/** @jest-environment jsdom */
import { act, fireEvent, renderHook } from '@testing-library/react';
import { usePaletteKey, useShortcuts } from './useShortcuts';

function start() {
  const next = jest.fn();
  const { result } = renderHook(() => useShortcuts(shortcuts(next)));
  return { next, result };
}

let kept: { key: string; does: string; run(): void }[] | null = null;
function shortcuts(run: () => void) {
  return (kept ??= [{ key: 'j', does: 'Next note', run }]);
}

beforeEach(() => {
  kept = null;
  localStorage.clear();
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

test('single keys can be turned off, and stay off', () => {
  const { next, result } = start();
  act(() => result.current.setOn(false));
  fireEvent.keyDown(on('p'), { key: 'j' });
  expect(next).not.toHaveBeenCalled();
  expect(renderHook(() => useShortcuts([])).result.current.on).toBe(false);
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
