import { phrasesFor } from '../standards/phrases/index.ts';
import { languageAt } from '../semantics/languages.ts';
import { tidy, valueOf } from '../document/tree.ts';
import { contentRange, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Adds to a link's text that it opens a new tab, in the language it stands in, or which kind of file it leads to. */
export const remedy: Remedy = {
  name: 'say-so',
  label: 'Say so in the link',
  certain: true,
  fields: [],
  plan({ page, element, finding }) {
    const note =
      finding.rule === 'links/file-unsaid'
        ? `(${String(finding.values.kind)})`
        : `(${phrasesFor(languageAt(page, element)).newWindowNote})`;
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
