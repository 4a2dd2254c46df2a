import { elementAt } from '../document/paths.ts';
import { imagesIn } from '../semantics/images.ts';
import type { Edit } from '../source/edits.ts';
import { dropAttribute, NO_SOURCE, removal, unwrap } from './markup.ts';
import { decline, planned, type Plan, type Remedy, type Target } from './types.ts';
import { dropDeclarations } from './styling.ts';
import { lookup } from '../source/lookup.ts';

/** Rules whose trouble is one attribute. */
const ATTRIBUTES: Record<string, string> = {
  'tables/headers-broken': 'headers',
  'tables/summary-repeats': 'summary',
  'structure/tab-order': 'tabindex',
};

/** Takes out what holds nothing or does harm: an element, a run of them, an attribute, or tags around text that stays. */
export const remedy: Remedy = {
  name: 'remove',
  label: 'Take it out',
  certain: [
    'headings/blank',
    'lists/blank',
    'tables/headers-broken',
    'tables/summary-repeats',
    'tables/blank-rows',
    'text/moving',
    'text/spacer-blocks',
    'text/spacing-locked',
    'document/refresh',
    'structure/tab-order',
    'structure/role-undone',
  ],
  fields: [],
  plan(target) {
    const { page, element, finding } = target;
    const attribute = lookup(ATTRIBUTES, finding.rule);
    if (attribute) {
      const edit = dropAttribute(page, element, attribute);
      return edit ? planned(edit) : decline(NO_SOURCE);
    }
    if (finding.rule === 'structure/role-undone') {
      const edit = dropAttribute(page, element, 'role');
      return edit ? planned(edit) : decline(NO_SOURCE);
    }
    if (finding.rule === 'text/spacing-locked') {
      const edit = dropDeclarations(page, element, (property) => ['line-height', 'letter-spacing', 'word-spacing'].includes(property));
      return edit ? planned(edit) : decline(NO_SOURCE);
    }
    if (finding.rule === 'text/moving') return element.startTag ? planned(unwrap(element)) : decline(NO_SOURCE);
    if (finding.at.through || finding.message === 'breaks') return removeRun(target);
    if (!element.range) return decline(NO_SOURCE);
    if (imagesIn(element).length > 0) return decline('It holds an image; taking it out would take the image too.');
    return planned(removal(page, element.range));
  },
};

/** A run of neighbours; of line breaks the first stays, for the line still ends there. */
function removeRun({ page, element, finding }: Target): Plan {
  const last = finding.at.through ? elementAt(page, finding.at.through) : element;
  const edits: Edit[] = [];
  for (const node of element.parent!.children.slice(element.index, (last?.index ?? element.index) + 1)) {
    if (node.kind !== 'element' || (node === element && element.tag === 'br')) continue;
    if (!node.range) return decline(NO_SOURCE);
    edits.push(node.tag === 'br' ? { ...node.range, text: '' } : removal(page, node.range));
  }
  return edits.length > 0 ? planned(edits) : decline(NO_SOURCE);
}
