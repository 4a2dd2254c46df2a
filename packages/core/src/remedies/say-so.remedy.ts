import { phrasesFor } from '../standards/phrases.ts';
import { languageAt } from '../semantics/languages.ts';
import { tidy, valueOf } from '../document/tree.ts';
import { contentRange, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Adds to a link's text that it opens a new tab, in the language it stands in. */
export const remedy: Remedy = {
  name: 'say-so',
  label: 'Say that it opens a new tab',
  certain: true,
  fields: [],
  plan({ element }) {
    const note = `(${phrasesFor(languageAt(element)).newWindowNote})`;
    if (element.tag === 'area') {
      const edit = setAttribute(element, 'alt', tidy(`${valueOf(element, 'alt') ?? ''} ${note}`));
      return edit ? planned(edit) : decline(NO_SOURCE);
    }
    const label = valueOf(element, 'aria-label');
    const labelled = label === null ? null : setAttribute(element, 'aria-label', `${tidy(label)} ${note}`);
    const content = contentRange(element);
    if (!content || !element.endTag) return decline(NO_SOURCE);
    return planned({ start: content.end, end: content.end, text: ` ${note}` }, ...(labelled ? [labelled] : []));
  },
};
