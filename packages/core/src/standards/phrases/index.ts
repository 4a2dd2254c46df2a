import { de } from './de.ts';
import { en } from './en.ts';
import { es } from './es.ts';
import { fr } from './fr.ts';
import { it } from './it.ts';
import { nl } from './nl.ts';
import { pt } from './pt.ts';
import type { Phrases } from './types.ts';
import { remembered } from '../../document/remembered.ts';
import { lookup } from '../../source/lookup.ts';

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
  return lookup(PHRASES, primaryOf(language)) ?? PHRASES.en!;
}

/** The primary language of a tag, lower case: `de` of `de-CH`. */
export const primaryOf = remembered((tag) => tag.toLowerCase().split('-')[0]!);

/** Whether a text is one of some phrases, however it is dressed. */
export function isOneOf(phrases: readonly string[] | undefined, text: string): boolean {
  if (phrases === undefined || phrases.length === 0) return false;
  let bared = baredLists.get(phrases);
  if (!bared) baredLists.set(phrases, (bared = new Set(phrases.map(bare))));
  return bared.has(bare(text));
}

/** The phrases of each list, as `bare` gives them. */
const baredLists = new WeakMap<readonly string[], ReadonlySet<string>>();

/** Lower case, tidied, without the arrows, brackets and stops that people put around a phrase. */
export const bare = remembered((text) =>
  text
    .toLowerCase()
    .replace(/[\s\u00a0]+/g, ' ')
    .replace(/^[\s>»›→←<«‹[({"'“”‘’.…·•|:;,!?-]+/u, '')
    .replace(/[\s>»›→←<«‹\])}"'“”‘’.…·•|:;,!?-]+$/u, ''),
);
