import { valueOf } from '../document/tree.ts';
import { isLanguageTag } from '../standards/languageTags.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Says the language that is said elsewhere on the page where browsers look for it. */
export const remedy: Remedy = {
  name: 'copy-language',
  label: 'Say it where browsers look for it',
  certain: true,
  fields: [],
  plan({ page, finding }) {
    const language = String(finding.values.tag ?? '');
    if (!isLanguageTag(language) || valueOf(page.html, 'lang')?.trim())
      return decline('No registered language is said elsewhere on this page.');
    const edit = setAttribute(page.html, 'lang', language);
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};
