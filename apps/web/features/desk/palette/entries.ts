import type { Shortcut } from '../useShortcuts';

/** One thing the palette can do. */
export interface Entry {
  id: string;
  /** Under which heading it stands. */
  group: string;
  does: string;
  /** The single key that does the same. */
  key?: string;
  run(): void;
}

/** The Desk's shortcuts as entries of the palette. */
export function entriesOf(shortcuts: readonly Shortcut[]): Entry[] {
  return shortcuts.map(({ key, does, run }) => ({ id: `key ${key}`, group: 'To do', does, key, run }));
}

/** Whether everything typed stands in an entry, word by word and in any order. */
export function holds(typed: string, entry: string): boolean {
  const text = entry.toLowerCase();
  return typed
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
