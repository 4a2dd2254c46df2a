import { valueOf } from '../document/tree.ts';
import type { Edit } from '../source/edits.ts';
import { anchorOf, links } from '../semantics/links.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { freeId } from './placing.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives an anchor a name that works everywhere, and lets the page's own links follow. */
export const remedy: Remedy = {
  name: 'rename-anchor',
  label: 'Give it another name',
  certain: true,
  fields: [],
  plan({ page, element, finding }) {
    const old = String(finding.values.name);
    const fresh = freeId(page, old);
    const own = (['id', 'name'] as const)
      .filter((name) => valueOf(element, name) === old)
      .map((name) => setAttribute(element, name, fresh));
    // Links lead to the first of several: only when that one is renamed do they follow.
    const following =
      finding.message === 'twice'
        ? []
        : links(page)
            .filter((link) => link.href.startsWith('#') && anchorOf(link.href) === old)
            .map((link) => setAttribute(link.element, 'href', `#${fresh}`));
    const edits = [...own, ...following];
    return own.length > 0 && edits.every((edit) => edit !== null) ? planned(...(edits as Edit[])) : decline(NO_SOURCE);
  },
};
