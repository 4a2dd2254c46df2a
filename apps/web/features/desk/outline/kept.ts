import { useState } from 'react';

/** What somebody has in mind and has not applied: it waits while other faces are looked at. */
export type Kept = Map<string, unknown>;

/** A state that outlives the face it belongs to, under a name of its own. */
export function useKept<T>(kept: Kept, name: string, initial: T): [T, (next: T | ((now: T) => T)) => void] {
  const [value, setValue] = useState<T>(() => (kept.has(name) ? (kept.get(name) as T) : initial));
  return [
    value,
    (next) =>
      setValue((now) => {
        const chosen = typeof next === 'function' ? (next as (now: T) => T)(now) : next;
        kept.set(name, chosen);
        return chosen;
      }),
  ];
}
