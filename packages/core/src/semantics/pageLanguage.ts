import { fact, type Page } from '../document/page.ts';
import { FURNITURE, IN, isInside } from './inside.ts';
import { languageAt, languageOfText } from './languages.ts';
import { passageFact, passages, type Passage } from './passages.ts';
import { isLanguageTag } from '../standards/languageTags.ts';
import { lookup } from '../source/lookup.ts';

/** Running texts long enough to tell their language, with the one each seems to be in. */
export const languagesByPassage = fact((page: Page): { passage: Passage; language: string | null }[] =>
  passages(page)
    .filter((passage) => !passage.kept && passage.text.length >= 60 && !isInside(page, passage.block, IN.code | FURNITURE))
    .map((passage) => ({ passage, language: languageOf(page, passage) })),
);

/** Sums, formulas, host names and addresses hold no words of any language. */
const NO_WORDS = /\b(?:[0-9a-f]{8,}|[\w-]+(?:\.[\w-]+){1,}(?:\/\S*)?|\S*[=<>{}()[\]|\\/_^$@#*+]\S*|\S*\d\S*)/gi;

/** Looked at twice where it seems to be known: what is no words must not have told it. */
const languageOf = passageFact((_page, { text }) => languageOfText(text) && languageOfText(text.replace(NO_WORDS, ' ')));

/** The language of a page as it says itself, else the one most of its texts are in; '' when neither is known. */
export const usualLanguage = fact((page: Page): string => {
  const said = languageAt(page, page.body);
  if (said) return said;
  const counts = new Map<string, number>();
  for (const { passage, language } of languagesByPassage(page)) {
    const known = language ?? languageByScript(passage.text, '');
    if (known) counts.set(known, (counts.get(known) ?? 0) + passage.text.length);
  }
  const [first, second] = [...counts].sort((a, b) => b[1] - a[1]);
  return first && first[1] > (second?.[1] ?? 0) ? first[0] : '';
});

export interface OtherLanguage {
  passage: Passage;
  language: string;
  /** Known by its letters alone. */
  byScript: boolean;
}

/** Languages so near to ones we know that their words are taken for theirs. */
const RELATED: Readonly<Record<string, readonly string[]>> = {
  gl: ['pt', 'es'],
  ast: ['es', 'pt'],
  an: ['es'],
  ca: ['es', 'fr', 'pt', 'it'],
  oc: ['fr', 'es', 'it', 'pt'],
  co: ['it'],
  sc: ['it', 'es'],
  scn: ['it'],
  fur: ['it'],
  af: ['nl'],
  fy: ['nl'],
  li: ['nl', 'de'],
  nds: ['de', 'nl'],
  lb: ['de'],
  gsw: ['de'],
  sco: ['en'],
};

/** Passages in another language than the page says, or mostly is in, where nothing says so, in document order. */
export const otherLanguages = fact((page: Page): OtherLanguage[] => {
  const usual = usualLanguage(page);
  // Where nearly all of it is in one other language, the page says the wrong one: another note's matter.
  const whole = wholeLanguage(page);
  const found: OtherLanguage[] = [];
  for (const { passage, language } of languagesByPassage(page)) {
    const said = (languageAt(page, passage.block) || usual).toLowerCase().split('-')[0]!;
    const script = lookup(RELATED, said)?.includes(language ?? '') ? null : (language ?? languageByScript(passage.text, said));
    if (!script || !said || script === said || script === whole) continue;
    if (passage.texts.some((text) => text.parent?.kind === 'element' && languageAt(page, text.parent).toLowerCase().startsWith(script)))
      continue;
    found.push({ passage, language: script, byScript: language === null });
  }
  return found;
});

/** Letters that tell a language, or at least that the text is in none of those written in others. */
const SCRIPTS: readonly [RegExp, string, readonly string[]][] = [
  [/\p{Script=Hiragana}|\p{Script=Katakana}/gu, 'ja', ['ja']],
  [/\p{Script=Hangul}/gu, 'ko', ['ko']],
  [/\p{Script=Greek}/gu, 'el', ['el', 'grc']],
  [/\p{Script=Hebrew}/gu, 'he', ['he', 'yi', 'iw']],
  [/\p{Script=Arabic}/gu, 'ar', ['ar', 'fa', 'ur', 'ps', 'ug', 'ku', 'sd']],
  [/\p{Script=Thai}/gu, 'th', ['th']],
  [/\p{Script=Devanagari}/gu, 'hi', ['hi', 'mr', 'ne', 'sa']],
  [/\p{Script=Cyrillic}/gu, 'ru', ['ru', 'uk', 'be', 'bg', 'sr', 'mk', 'kk', 'ky', 'mn', 'tg', 'tt']],
  [/\p{Script=Han}/gu, 'zh', ['zh', 'ja', 'ko', 'yue']],
];

/** The likeliest language of a text nearly all of whose letters are of one script that the said language is not written in; null else. */
function languageByScript(text: string, said: string): string | null {
  if (!/[\u0370-\uffff]/.test(text)) return null;
  const letters = text.match(/\p{L}/gu)?.length ?? 0;
  if (letters < 12) return null;
  for (const [script, language, written] of SCRIPTS)
    if ((text.match(script)?.length ?? 0) > 0.7 * letters) return written.includes(said) ? null : language;
  return null;
}

/** The language nearly all of a page's running text is in, where the page says another; null when it is right or nobody can tell. */
export const wholeLanguage = fact((page: Page): string | null => {
  const tag = languageAt(page, page.body);
  const said = tag.toLowerCase().split('-')[0]!;
  // A tag that nobody knows has a note of its own.
  if (!said || !isLanguageTag(tag)) return null;
  const known = languagesByPassage(page).filter(
    ({ passage, language }) => language !== null && languageAt(page, passage.block).toLowerCase().startsWith(said),
  );
  const counts = new Map<string, number>();
  for (const { passage, language } of known) counts.set(language!, (counts.get(language!) ?? 0) + passage.words);
  const all = [...counts.values()].reduce((sum, words) => sum + words, 0);
  const [first] = [...counts].sort((a, b) => b[1] - a[1]);
  return first && first[0] !== said && all >= 60 && known.length >= 2 && first[1] / all > 0.85 ? first[0] : null;
});
