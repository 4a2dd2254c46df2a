import { useMemo, useState } from 'react';

/** What was asked for before the screen could do it: applying the next fix, as often as the key was pressed. */
export interface Ahead {
  add(note: number): void;
  /** Whether one more was asked for, on another note than this one; it is asked for no longer. */
  take(note: number): boolean;
  clear(): void;
}

/** Nobody who holds a key down means more than this. */
const MOST = 10;

export function makeAhead(): Ahead {
  let [waiting, from] = [0, 0];
  return {
    add(note) {
      [waiting, from] = [Math.min(MOST, waiting + 1), note];
    },
    take(note) {
      // A note that still stands after its fix is not fixed over and over: what was typed ahead was meant for the one behind it.
      const may = waiting > 0 && from !== note;
      waiting = may ? waiting - 1 : 0;
      from = note;
      return may;
    },
    clear() {
      waiting = 0;
    },
  };
}

/** Keeps what was typed ahead from note to note. */
export function useAhead(): Ahead {
  return useState(makeAhead)[0];
}

/** The same for one note. */
export interface AheadOf {
  add(): void;
  take(): boolean;
  clear(): void;
}

export function useAheadOf(ahead: Ahead, note: number): AheadOf {
  return useMemo(() => ({ add: () => ahead.add(note), take: () => ahead.take(note), clear: () => ahead.clear() }), [ahead, note]);
}
