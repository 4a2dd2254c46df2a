import { valueOf } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { usualLanguage } from '../semantics/pageLanguage.ts';
import { isLanguageTag } from '../standards/languageTags.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';

const COMMON = [
  ['en', 'English'],
  ['de', 'German'],
  ['fr', 'French'],
  ['es', 'Spanish'],
  ['it', 'Italian'],
  ['nl', 'Dutch'],
  ['pt', 'Portuguese'],
  ['cy', 'Welsh'],
  ['pl', 'Polish'],
] as const;

/** Names the language of the page, or of a passage. */
export const remedy: Remedy = {
  name: 'set-language',
  label: 'Name the language',
  certain: false,
  fields: [{ name: 'language', label: 'Language', kind: 'choice', options: COMMON.map(([value, label]) => ({ value, label })) }],
  propose: ({ page, finding }) => ({ language: likelyLanguage(String(finding.values.tag ?? ''), page) }),
  plan(target, inputs) {
    const { page, element } = target;
    const language = (inputs.language ?? '').trim();
    if (!isLanguageTag(language)) return decline('Give a registered language tag, for example en or pt-BR.');
    if (element.tag === 'html' && !element.startTag) {
      const at = afterDoctype(page.source);
      return planned({ start: at, end: at, text: `<html lang="${language}">` });
    }
    const edits = placesOf(target).flatMap((place) => [
      setAttribute(place, 'lang', language),
      ...(valueOf(place, 'xml:lang') === null ? [] : [setAttribute(place, 'xml:lang', language)]),
    ]);
    return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};

/** What was most likely meant: the tag fixed, the language of that name, else the one the text is written in. */
function likelyLanguage(written: string, page: Page): string {
  const fixed = written.replace(/_/g, '-');
  if (fixed && isLanguageTag(fixed)) return fixed;
  const named = COMMON.find(
    ([tag, label]) => label.toLowerCase() === written.toLowerCase() || tag === written.slice(0, 2).toLowerCase(),
  )?.[0];
  return named ?? (usualLanguage(page) || 'en');
}

/** Where the html tag goes that the source left out. */
export function afterDoctype(source: string): number {
  return /^(?:\s|<!--[\s\S]{0,2000}?-->)*<!doctype[^>]{0,400}>\s*/i.exec(source)?.[0].length ?? 0;
}
