import { rawText, valueOf } from '../document/tree.ts';
import type { Edit } from '../source/edits.ts';
import { anchorOf, links, anchors } from '../semantics/links.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy, type Plan } from './types.ts';
import type { Page } from '../document/page.ts';

/** Gives an anchor a name that works everywhere, and lets the page's own links follow. */
export const remedy: Remedy = {
  name: 'rename-anchor',
  label: 'Give it another name',
  certain: true,
  fields: [],
  plan({ page, element, finding }) {
    const old = String(finding.values.name);
    if (finding.message === 'twice') return renameLater(page, old);
    if (page.surroundings.isLedTo?.(old)) return decline('Other pages lead to it: their links would break.');
    if (isReferredTo(page, old)) return decline('Something else on the page is tied to this name, and would come loose.');
    const fresh = freshName(page, old, 1);
    const own = (['id', 'name'] as const)
      .filter((name) => valueOf(element, name) === old)
      .map((name) => setAttribute(element, name, fresh));
    const following = links(page)
      .filter((link) => link.href.startsWith('#') && anchorOf(link.href) === old)
      .map((link) => setAttribute(link.element, 'href', `#${fresh}`));
    const edits = [...own, ...following];
    return own.length > 0 && edits.every((edit) => edit !== null) ? planned(edits as Edit[]) : decline(NO_SOURCE);
  },
};

/** Attributes whose values are ids (HTML Living Standard; WAI-ARIA 1.2). */
const ID_REFERENCES =
  /^(?:for|form|headers|itemref|list|usemap|popovertarget|aria-(?:labelledby|describedby|controls|owns|details|flowto|activedescendant|errormessage))$/;

/** Whether a label, a cell, a style sheet or a script of the page means something by its name. */
function isReferredTo(page: Page, name: string): boolean {
  return page.elements.some((element) => {
    if (element.tag === 'style' || element.tag === 'script') return rawText(element).includes(name);
    return element.attributes.some((one) => ID_REFERENCES.test(one.name) && one.value.split(/[\s#]+/).includes(name));
  });
}

/** Links lead to the first of several: it keeps its name, the others get names of their own. */
function renameLater(page: Page, old: string): Plan {
  const edits: (Edit | null)[] = [];
  for (const [i, element] of (anchors(page).get(old) ?? []).slice(1).entries())
    for (const name of ['id', 'name'] as const)
      if (valueOf(element, name) === old) edits.push(setAttribute(element, name, freshName(page, old, i + 2)));
  return edits.length > 0 && edits.every((edit) => edit !== null) ? planned(edits as Edit[]) : decline(NO_SOURCE);
}

/** The name without spaces and with a letter first; numbered where it is taken. */
function freshName(page: Page, old: string, number: number): string {
  const base = old
    .trim()
    .replace(/\s+/g, '-')
    .replace(/^(?=[\d.-])/, 'n');
  let n = number;
  while (anchors(page).has(n === 1 ? base : `${base}-${n}`)) n++;
  return n === 1 ? base : `${base}-${n}`;
}
