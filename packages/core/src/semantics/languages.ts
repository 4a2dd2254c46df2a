import { elementParent, valueOf, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { PHRASES } from '../standards/phrases/index.ts';

/** The language tag in force at each element, by `order`: the nearest `lang`, or '' when none is said. One pass. */
const languages = fact((page: Page): string[] => {
  const found: string[] = [];
  for (const element of page.elements) {
    const own = element.attributes.length > 0 ? (valueOf(element, 'lang') ?? valueOf(element, 'xml:lang')) : null;
    const parent = elementParent(element);
    found[element.order] = own === null ? (parent ? found[parent.order]! : '') : own.trim();
  }
  return found;
});

export function languageAt(page: Page, element: ElementNode): string {
  return languages(page)[element.order] ?? '';
}

const byWord = new Map<string, string[]>();
for (const [language, { functionWords }] of Object.entries(PHRASES)) for (const word of functionWords) byWord.set(word, [...(byWord.get(word) ?? []), language]);

/** Below this many words a guess would be one. */
const ENOUGH_WORDS = 14;
/** Of the words of a running text about every third is one of its language's commonest; another language's share by chance is far lower. */
const CERTAIN_SHARE = 0.22;
const CLEAR_LEAD = 2.5;

/**
 * The language a text is written in, known by its commonest words, among those we have phrases of; null when the text is short or the
 * answer unclear. Common practice (stop-word counting, as in Ingle 1976 and later language guessers).
 */
export function languageOfText(text: string): string | null {
  const words = text.toLowerCase().match(/[a-zß-ɏ]+/g) ?? [];
  if (words.length < ENOUGH_WORDS) return null;
  const counts = new Map<string, number>();
  for (const word of words) for (const language of byWord.get(word) ?? []) counts.set(language, (counts.get(language) ?? 0) + 1);
  const [first, second] = [...counts].sort((a, b) => b[1] - a[1]);
  if (!first || first[1] / words.length < CERTAIN_SHARE || first[1] < CLEAR_LEAD * (second?.[1] ?? 0)) return null;
  return first[0];
}
