import { fact, type Page } from '../document/page.ts';
import { FURNITURE, IN, isInside } from './inside.ts';
import { languageAt, languageOfText } from './languages.ts';
import { passageFact, passages, type Passage } from './passages.ts';

/** Running texts long enough to tell their language, with the one each seems to be in. */
export const languagesByPassage = fact((page: Page): { passage: Passage; language: string | null }[] =>
  passages(page)
    .filter((passage) => !passage.kept && passage.text.length >= 60 && !isInside(page, passage.block, IN.code | FURNITURE))
    .map((passage) => ({ passage, language: languageOf(page, passage) })),
);

const languageOf = passageFact((_page, { text }) => languageOfText(text));

/** The language of a page as it says itself, else the one most of its texts are in; '' when neither is known. */
export const usualLanguage = fact((page: Page): string => {
  const said = languageAt(page, page.body);
  if (said) return said;
  const counts = new Map<string, number>();
  for (const { language } of languagesByPassage(page)) if (language) counts.set(language, (counts.get(language) ?? 0) + 1);
  const [first, second] = [...counts].sort((a, b) => b[1] - a[1]);
  return first && first[1] > (second?.[1] ?? 0) ? first[0] : '';
});
