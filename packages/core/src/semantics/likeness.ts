/** Shared words of two texts, 0 to 1 (Dice's coefficient, 1945). Two equal texts are alike, empty ones too. */
export function likeness(a: string, b: string): number {
  if (a === b) return 1;
  const [first, second] = [wordsOf(a), wordsOf(b)];
  if (first.size === 0 || second.size === 0) return 0;
  let shared = 0;
  for (const word of first) if (second.has(word)) shared++;
  return (2 * shared) / (first.size + second.size);
}

function wordsOf(text: string): Set<string> {
  return new Set(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []);
}
