'use client';
import { useEffect, useState } from 'react';

export interface Shortcut {
  key: string;
  does: string;
  run(): void;
}

const SETTING = 'inkwell-single-keys';

/** Single keys act only outside fields, and can be turned off (WCAG 2.1.4). */
export function useShortcuts(shortcuts: readonly Shortcut[]): { on: boolean; setOn(on: boolean): void } {
  const [on, setOn] = useState(true);
  useEffect(() => setOn(localStorage.getItem(SETTING) !== 'off'), []);
  useEffect(() => {
    if (!on) return;
    const listen = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || isTyping(event.target)) return;
      const shortcut = shortcuts.find((one) => one.key === event.key);
      if (!shortcut) return;
      event.preventDefault();
      shortcut.run();
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [shortcuts, on]);
  return {
    on,
    setOn(next) {
      localStorage.setItem(SETTING, next ? 'on' : 'off');
      setOn(next);
    },
  };
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
