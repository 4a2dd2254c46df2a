/**
 * Puts all of `more` behind a list. Spread into a call, a page's hundred thousand places are that many arguments, and exhaust the stack.
 */
export function append<T>(list: T[], more: Iterable<T>): void {
  for (const one of more) list.push(one);
}

/** The greatest of some numbers, however many; -Infinity of none. */
export function greatest(numbers: Iterable<number>): number {
  let most = -Infinity;
  for (const one of numbers) if (!(one <= most)) most = one;
  return most;
}

/** The least of some numbers, however many; Infinity of none. */
export function least(numbers: Iterable<number>): number {
  let fewest = Infinity;
  for (const one of numbers) if (!(one >= fewest)) fewest = one;
  return fewest;
}
