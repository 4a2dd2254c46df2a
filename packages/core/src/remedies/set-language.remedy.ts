import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

const COMMON = [['en', 'English'], ['de', 'German'], ['fr', 'French'], ['es', 'Spanish'], ['it', 'Italian'], ['nl', 'Dutch'], ['pt', 'Portuguese'], ['cy', 'Welsh'], ['pl', 'Polish']] as const;
/** The shape of a language tag (BCP 47), not whether it is registered. */
const TAG = /^[a-z]{2,3}(?:-[a-z0-9]{2,8})*$/i;

/** Names the language of the page. */
export const remedy: Remedy = {
  name: 'set-language',
  label: 'Name the language',
  certain: false,
  fields: [{ name: 'language', label: 'Language of the page', kind: 'choice', options: COMMON.map(([value, label]) => ({ value, label })) }],
  propose: () => ({ language: 'en' }),
  plan({ page, element }, inputs) {
    const language = (inputs.language ?? '').trim();
    if (!TAG.test(language)) return decline('Give a language as its tag, for example en or pt-BR.');
    if (element.tag === 'html' && !element.startTag) {
      const at = afterDoctype(page.source);
      return planned({ start: at, end: at, text: `<html lang="${language}">` });
    }
    const edit = setAttribute(element, 'lang', language);
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};

/** Where the html tag goes that the source left out. */
export function afterDoctype(source: string): number {
  return /^(?:\s|<!--[\s\S]{0,2000}?-->)*<!doctype[^>]{0,400}>\s*/i.exec(source)?.[0].length ?? 0;
}
