'use client';
import { lookup } from '@inkwell/core';
import type { KeySettings } from '@inkwell/store';
import { useEffect, useMemo, useRef, type RefObject } from 'react';

export interface Shortcut {
  /** The key it has until somebody gives it another; it also names the shortcut. */
  key: string;
  does: string;
  run(): void;
}

/** A shortcut under the key a person gave it. */
export interface KeyedShortcut extends Shortcut {
  /** The key it came with. */
  usual: string;
}

/** Shortcuts under the keys that a person gave them. */
export function withOwnKeys(shortcuts: readonly Shortcut[], { assigned }: KeySettings): KeyedShortcut[] {
  return shortcuts.map((shortcut) => ({ ...shortcut, usual: shortcut.key, key: lookup(assigned, shortcut.key) ?? shortcut.key }));
}

/** Why a key cannot be given to a shortcut; null when it can. `others`: usual keys of what the note in hand does not offer, others do. */
export function whyNotKey(
  key: string,
  usual: string,
  shortcuts: readonly KeyedShortcut[],
  { assigned }: KeySettings,
  others: readonly string[] = [],
): string | null {
  if ([...key].length !== 1 || /\s/.test(key)) return 'Choose a letter, a digit or a sign; other keys have work of their own.';
  const taken = shortcuts.find((one) => one.key === key && one.usual !== usual);
  if (taken) return `“${key}” is taken: ${taken.does}. Give that one another key first.`;
  const elsewhere = [...new Set([...others, ...Object.keys(assigned)])].some(
    (one) => one !== usual && (lookup(assigned, one) ?? one) === key,
  );
  return elsewhere ? `“${key}” is taken on other notes. Choose another.` : null;
}

/** Single keys act only outside fields, can be turned off, and can be others (WCAG 2.1.4). Gives shortcuts under a person's own keys. */
export function useShortcuts(shortcuts: readonly Shortcut[], settings: KeySettings): KeyedShortcut[] {
  const keyed = useMemo(() => withOwnKeys(shortcuts, settings), [shortcuts, settings]);
  const { on } = settings;
  const isQuiet = useQuietAfterWriting();
  useEffect(() => {
    if (!on) return;
    const listen = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || isTyping(event.target) || isQuiet.current) return;
      const shortcut = keyed.find((one) => one.key === event.key);
      if (!shortcut) return;
      event.preventDefault();
      shortcut.run();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [keyed, on, isQuiet]);
  return keyed;
}

/** Where one writes at length: letters typed there, or right after it was left, are no keys. */
const WRITING = '.ProseMirror, .cm-editor';

/**
 * Whether single keys are off: from the moment a writing face takes the focus until the pointer is pressed elsewhere or Escape is. Whoever
 * left it with a key may still be typing.
 */
function useQuietAfterWriting(): RefObject<boolean> {
  const isQuiet = useRef(false);
  useEffect(() => {
    const within = (target: EventTarget | null) => target instanceof Element && target.closest(WRITING) !== null;
    const focused = ({ target }: Event) => {
      if (within(target)) isQuiet.current = true;
    };
    const pressed = ({ target }: Event) => {
      if (!within(target)) isQuiet.current = false;
    };
    const escaped = ({ key, target }: KeyboardEvent) => {
      if (key === 'Escape' && !within(target)) isQuiet.current = false;
    };
    document.addEventListener('focusin', focused);
    document.addEventListener('pointerdown', pressed, true);
    document.addEventListener('keydown', escaped);
    return () => {
      document.removeEventListener('focusin', focused);
      document.removeEventListener('pointerdown', pressed, true);
      document.removeEventListener('keydown', escaped);
    };
  }, []);
  return isQuiet;
}

/** Ctrl or Command with K acts everywhere, in fields too: it writes nothing. */
export function usePaletteKey(open: () => void): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey || event.shiftKey || event.key.toLowerCase() !== 'k') return;
      event.preventDefault();
      open();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [open]);
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || target.closest('input, textarea, select, [role="dialog"], .cm-editor') !== null)
  );
}
