/**
 * The words of the interface, where the trade has one of its own: what is said, and what is not said in its place. Screens, rules and fixes
 * are held to them by a test.
 */
export const TRADE_WORDS: readonly { say: string; not: RegExp }[] = [
  { say: 'image', not: /\b(?:picture|photo|pic)s?\b(?! of)/i },
  { say: 'alternative text', not: /\balt[- ](?:text|tag)s?\b/i },
  { say: 'background', not: /\bground\b/i },
  { say: 'again, rename, reload', not: /\banew\b/i },
  { say: 'undo', not: /\b(?:step back|go back a step)\b/i },
  { say: 'redo', not: /\bdo again\b/i },
  { say: 'increase indent', not: /\bitem (?:less )?deep(?:er)?\b/i },
  { say: 'fix', not: /\b(?:remed(?:y|ies)|mend(?:s|ed|ing)?)\b/i },
  { say: 'exception', not: /\bwaivers?\b/i },
  { say: 'criterion', not: /\bcheckpoints?\b/i },
  { say: 'one note, two notes', not: /\(s\)/ },
];

/** What a sentence says otherwise than the trade does; null when it is well. `quoted`: words of a page, which are told as they are. */
export function offTheTrade(sentence: string): string | null {
  const own = sentence.replace(/“[^”]*”|\{\w+\}/g, '');
  const off = TRADE_WORDS.find(({ not }) => not.test(own));
  return off ? `“${off.not.exec(own)![0]}” (say: ${off.say})` : null;
}
