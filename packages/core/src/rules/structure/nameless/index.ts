import { defineRule } from '../../types.ts';
import { roleOf } from '../../../semantics/roles.ts';
import { has } from '../../../document/tree.ts';
import { NAMED_ROLES } from '../../../standards/aria.ts';
import { nameOf, shownText } from '../../../semantics/names.ts';
export const rule = defineRule({
  id: 'structure/nameless',
  title: 'Part of the page that needs a name',
  why: 'A listener is told what kind of thing it is and not which one.',
  fix: 'Give it a name: by a heading it points to, a label, or aria-label.',
  criteria: ['4.1.2'],
  techniques: ['ARIA16'],
  weight: 'must',
  scope: 'any',
  remedies: [],
  messages: {
    none: 'What has the role “{role}” has no name',
  },
  tags: ['dialog', 'meter', 'progress', '*'],
  visit(page, element, tell) {
    const role = roleOf(element) ?? '';
    const isWritten = has(element, 'role') && NAMED_ROLES.has(role);
    if (!isWritten && !Object.hasOwn(NATIVE, element.tag)) return;
    if (HAS_A_RULE.has(element.tag) || nameOf(page, element).name) return;
    tell({ at: element, message: 'none', values: { role: role || element.tag }, subject: `${role} ${shownText(page, element, 80)}` });
  },
});

/** Native elements that have to be named, and that no other rule looks at. */
const NATIVE: Record<string, true> = { dialog: true, meter: true, progress: true };
/** Fields and images have rules of their own. */
const HAS_A_RULE = new Set(['input', 'select', 'textarea', 'img', 'svg', 'button', 'a', 'area', 'iframe', 'object', 'embed', 'canvas']);
