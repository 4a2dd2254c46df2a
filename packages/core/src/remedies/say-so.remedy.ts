import { phrasesFor } from '../standards/phrases/index.ts';
import { languageAt } from '../semantics/languages.ts';
import { tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { contentRange, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy, type Target } from './types.ts';
import { placesOf } from './lastingColour.ts';
import type { Edit } from '../source/edits.ts';

/** Adds to a link's text that it opens a new tab, in the language it stands in, or which kind of file it leads to. */
export const remedy: Remedy = {
  name: 'say-so',
  label: 'Say so in the link',
  // It changes what is read: whoever answers for the page sees it before.
  certain: false,
  fields: [],
  plan(target) {
    const plans = placesOf(target).map((element) => notedEdits(target, element));
    return plans.every((edits) => edits !== null) ? planned(plans.flat()) : decline(NO_SOURCE);
  },
};

/** The note in the link's text, and in its name where that is written apart. Null where the link has no end in the source. */
function notedEdits({ page, finding }: Target, element: ElementNode): Edit[] | null {
  const note =
    finding.rule === 'links/file-unsaid' ? `(${String(finding.values.kind)})` : `(${phrasesFor(languageAt(page, element)).newWindowNote})`;
  if (element.tag === 'area') {
    const edit = setAttribute(element, 'alt', tidy(`${valueOf(element, 'alt') ?? ''} ${note}`));
    return edit && [edit];
  }
  const label = valueOf(element, 'aria-label');
  const labelled = label === null ? null : setAttribute(element, 'aria-label', `${tidy(label)} ${note}`);
  const content = contentRange(element);
  if (!content || !element.endTag) return null;
  return [{ start: content.end, end: content.end, text: ` ${note}` }, ...(labelled ? [labelled] : [])];
}
