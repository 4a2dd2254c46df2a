import { de } from './de.ts';
import { en } from './en.ts';
import { es } from './es.ts';
import { fr } from './fr.ts';
import { it } from './it.ts';
import { nl } from './nl.ts';
import { pt } from './pt.ts';
import type { Phrases } from './types.ts';

export type { Phrases } from './types.ts';

/** Words that say nothing, and words that tell, by language. */
export const PHRASES: Readonly<Record<string, Phrases>> = { en, de, fr, es, nl, pt, it };

type ListName = Exclude<keyof Phrases, 'newWindowNote'>;

const everyLanguage = new Map<ListName, ReadonlySet<string>>();

/** One list over all languages: pages often mix them, and a vague word is vague wherever it stands. */
export function phrasesOf(list: ListName): ReadonlySet<string> {
  let found = everyLanguage.get(list);
  if (!found) everyLanguage.set(list, (found = new Set(Object.values(PHRASES).flatMap((phrases) => phrases[list]))));
  return found;
}

/** The phrases of a language tag's primary language; English where we have none. */
export function phrasesFor(language: string): Phrases {
  return PHRASES[language.toLowerCase().split('-')[0]!] ?? PHRASES.en!;
}

/** Whether a text is one of some phrases, however it is dressed. */
export function isOneOf(phrases: readonly string[] | undefined, text: string): boolean {
  return phrases !== undefined && phrases.length > 0 && phrases.some((phrase) => bare(phrase) === bare(text));
}

/** Lower case, tidied, without the arrows, brackets and stops that people put around a phrase. */
export function bare(text: string): string {
  return text
    .toLowerCase()
    .replace(/[\s\u00a0]+/g, ' ')
    .replace(/^[\s>»›→←<«‹[({"'“”‘’.…·•|:;,!?-]+/u, '')
    .replace(/[\s>»›→←<«‹\])}"'“”‘’.…·•|:;,!?-]+$/u, '');
}
