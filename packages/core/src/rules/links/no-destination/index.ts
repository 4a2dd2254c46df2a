import { has, tidy, valueOf } from '../../../document/tree.ts';
import { nameOf } from '../../../semantics/names.ts';
import { roleOf } from '../../../semantics/roles.ts';
import { defineRule } from '../../types.ts';

/** Links back to the top of a page rightly lead to `#`. */
const TO_TOP = /\b(?:top|up|start|anfang|oben|haut|arriba|inicio|boven|topo|cima|inizio)\b/i;

export const rule = defineRule({
  id: 'links/no-destination',
  title: 'Link that leads nowhere',
  why: 'It looks like a link, and following it does nothing, or nothing without a mouse and a script.',
  fix: 'Give it an address, make it a button, or let it be plain text.',
  alike: true,
  criteria: ['2.1.1', '4.1.2'],
  techniques: ['F42', 'F59'],
  weight: 'should',
  scope: 'any',
  remedies: ['unlink'],
  messages: {
    missing: '“{text}” is marked as a link and has no address',
    empty: 'The address of “{text}” is empty',
    top: '“{text}” leads only to the top of this page',
    script: '“{text}” runs a script in place of leading anywhere',
  },
  tags: ['a'],
  visit(page, element, tell) {
    const role = roleOf(element);
    if (element.space !== 'html' || (has(element, 'role') && role !== 'link')) return;
    const href = valueOf(element, 'href');
    if (href === null && (has(element, 'name') || has(element, 'id') || (element.attributes.length === 0 && !has(element, 'onclick'))))
      return;
    const text = nameOf(page, element).name || tidy(valueOf(element, 'title') ?? '');
    const message = troubleOf(href, text);
    if (message && text) tell({ at: element, message, values: { text }, subject: `${href ?? ''} ${text}` });
  },
});

function troubleOf(href: string | null, text: string): 'missing' | 'empty' | 'top' | 'script' | null {
  if (href === null) return 'missing';
  const address = href.trim();
  if (address === '') return 'empty';
  if (address === '#') return TO_TOP.test(text) ? null : 'top';
  return /^javascript:/i.test(address) ? 'script' : null;
}
