import { tidy, valueOf } from '../document/tree.ts';
import { anchorOf, anchors } from '../semantics/links.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Points a link to another address. */
export const remedy: Remedy = {
  name: 'set-target',
  label: 'Point it elsewhere',
  certain: false,
  fields: [{ name: 'href', label: 'Address it should lead to', kind: 'text' }],
  propose: ({ element }) => ({ href: valueOf(element, 'href') ?? '' }),
  plan({ page, element }, inputs) {
    const href = tidy(inputs.href ?? '');
    if (!href) return decline('Write the address it should lead to.');
    if (href === tidy(valueOf(element, 'href') ?? '')) return decline('The link leads there now.');
    if (/^\s*(?:javascript|data|vbscript):/i.test(href)) return decline('An address has to lead to a page or a place on it.');
    if (href.startsWith('#') && !anchors(page).has(anchorOf(href))) return decline('This page has no such place either.');
    if (!href.startsWith('#') && page.surroundings.leadsSomewhere?.(href) === false)
      return decline('Nothing of the collection lies there either.');
    const edit = setAttribute(element, 'href', href);
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};
