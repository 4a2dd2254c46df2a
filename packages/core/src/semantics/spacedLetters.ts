/** Letters in a row that stand apart: fewer may be a list of letters. */
const RUN = /(?<![\p{L}\p{N}])\p{L}(?:[ \u00a0]\p{L}){4,}(?![\p{L}\p{N}])/u;
/** Longer ones are no words that somebody spelled. */
const LONGEST = 400;
const GAP = /[ \u00a0]{2,}/;

/**
 * A passage that is one or more words with a space after each letter ("W E L C O M E"), as written; null when it is none. Letters in
 * the order of the alphabet, or the same one over and over, are letters and not a word.
 */
export function spacedWord(text: string): string | null {
  if (text.length < 9 || text.length > LONGEST || (text[1] !== ' ' && text[1] !== '\u00a0') || !RUN.test(text)) return null;
  // The whole passage has to be spelled so: in a sentence single letters mean themselves.
  const words = text.split(GAP).flatMap((part) => part.split(/\n/));
  const spelled = words.every((word) => /^[\p{P}\s]*\p{L}(?:[ \u00a0]\p{L})*[ \u00a0]?[\p{P}\s]*$/u.test(word));
  const letters = text.replace(/[^\p{L}]/gu, '').toLowerCase();
  return spelled && letters.length >= 5 && !isSequence(letters) && /[aeiouyäöüáéíóúàèâêô]/.test(letters) ? text : null;
}

function isSequence(letters: string): boolean {
  let rising = 0;
  for (let i = 1; i < letters.length; i++)
    if (letters.charCodeAt(i) === letters.charCodeAt(i - 1) + 1 || letters[i] === letters[i - 1]) rising++;
  return rising >= (letters.length - 1) / 2;
}
