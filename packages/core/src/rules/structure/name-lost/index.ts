import { defineRule } from '../../types.ts';
import { tidy, valueOf } from '../../../document/tree.ts';
import { isFocusable, roleOf } from '../../../semantics/roles.ts';
import { UNNAMED_ROLES } from '../../../standards/aria.ts';
import { bare } from '../../../standards/phrases/index.ts';
import { shownText } from '../../../semantics/names.ts';
export const rule = defineRule({
  id: 'structure/name-lost',
  title: 'Name that nobody is told',
  why: 'Programs pass over a name on what has no role, so what it was meant to say is lost.',
  fix: 'Write the words as text, or put the name on an element that has a role.',
  criteria: ['4.1.2'],
  techniques: ['ARIA14'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    lost: 'The name “{name}” stands on {what}, which may not be named',
    pointed: 'A name from elsewhere on the page stands on {what}, which may not be named',
  },
  tags: ['*'],
  visit(page, element, tell) {
    const label = tidy(valueOf(element, 'aria-label') ?? '');
    const name = label || tidy(valueOf(element, 'aria-labelledby') ?? '');
    if (!name || element.space !== 'html' || isFocusable(element) || element.tag.includes('-')) return;
    const role = roleOf(element);
    if (!(role === null ? GENERIC.has(element.tag) : UNNAMED_ROLES.has(role) && role !== 'presentation')) return;
    // What shows the same words says them.
    if (label && bare(shownText(page, element, 400)).includes(bare(label))) return;
    tell({
      at: element,
      message: label ? 'lost' : 'pointed',
      values: { name, what: `a ${element.tag} element` },
      subject: `${element.tag} ${name}`,
    });
  },
});

/** Elements with no role of their own (HTML-AAM, "generic"). */
const GENERIC = new Set([
  'div',
  'span',
  'b',
  'i',
  'u',
  'small',
  'big',
  'font',
  'center',
  'tt',
  'kbd',
  'samp',
  'q',
  'cite',
  'bdi',
  'bdo',
  'data',
  'pre',
]);
