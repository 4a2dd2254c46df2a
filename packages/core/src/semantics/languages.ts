import { elementParent, valueOf, type ElementNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { PHRASES } from '../standards/phrases/index.ts';
import { lookup } from '../source/lookup.ts';
import { greatest } from '../source/lists.ts';

/** The language tag in force at each element, by `order`: the nearest `lang`, or '' when none is said. One pass. */
const languages = fact((page: Page): string[] => {
  const found: string[] = [];
  for (const element of page.elements) {
    const own = element.attributes.length > 0 ? (valueOf(element, 'lang') ?? valueOf(element, 'xml:lang')) : null;
    const parent = elementParent(element);
    found[element.order] = own === null ? (parent ? found[parent.order]! : '') : own.trim();
  }
  return found;
}, carried);

export function languageAt(page: Page, element: ElementNode): string {
  return languages(page)[element.order] ?? '';
}

const KNOWN = Object.keys(PHRASES);
/** Each common word under a number made of its letters, with the languages it is common in, by their place among those known. */
const byNumber = new Map<number, { word: string; languages: number[] }>();
for (const [i, language] of KNOWN.entries()) for (const word of lookup(PHRASES, language)!.functionWords) enter(word, i);

function enter(word: string, language: number): void {
  const number = [...word].reduce((sum, letter) => mixed(sum, letter.charCodeAt(0)), 0);
  const known = byNumber.get(number);
  if (known && known.word !== word) throw new Error(`“${known.word}” and “${word}” share a number.`);
  byNumber.set(number, { word, languages: [...(known?.languages ?? []), language] });
}

/** FNV-1a (Fowler, Noll and Vo), over UTF-16 units. */
function mixed(number: number, unit: number): number {
  return Math.imul(number ^ unit, 0x01000193);
}

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
  const lower = text.toLowerCase();
  const counts = KNOWN.map(() => 0);
  let words = 0;
  let [length, number] = [0, 0];
  for (let i = 0; i <= lower.length; i++) {
    const unit = i < lower.length ? lower.charCodeAt(i) : 0;
    if (isLatinLetter(unit)) {
      length++;
      number = mixed(number, unit);
    } else if (length > 0) {
      words++;
      const common = byNumber.get(number);
      if (common?.word.length === length && lower.startsWith(common.word, i - length))
        for (const language of common.languages) counts[language]!++;
      [length, number] = [0, 0];
    }
  }
  if (words < ENOUGH_WORDS) return null;
  const most = greatest(counts);
  const first = counts.indexOf(most);
  const second = greatest(counts.filter((_count, i) => i !== first));
  return most / words < CERTAIN_SHARE || most < CLEAR_LEAD * second ? null : KNOWN[first]!;
}

/** a to z, and the small letters of Latin with marks, as far as Latin Extended-B. */
function isLatinLetter(unit: number): boolean {
  return unit >= 0x61 ? unit <= 0x7a || (unit >= 0xdf && unit <= 0x24f) : false;
}
