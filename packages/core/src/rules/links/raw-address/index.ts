import { defineRule } from '../../types.ts';
import { valueOf } from '../../../document/tree.ts';
import { nameOf } from '../../../semantics/names.ts';
import { isLink } from '../../../semantics/roles.ts';
import { isAddress } from '../../../semantics/wording.ts';

export const rule = defineRule({
  id: 'links/raw-address',
  title: 'Address in place of link text',
  why: 'A screen reader reads the address out sign by sign, and nobody learns from it what is behind the link.',
  fix: 'Write what the reader will find; the address stays in the link.',
  alike: true,
  criteria: ['2.4.4', '2.4.9'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['reword', 'use-target-title'],
  messages: { address: 'The text of this link is its address: {text}' },
  tags: ['a', '[role=link]'],
  visit(page, element, tell) {
    if (!isLink(element)) return;
    const { name, from } = nameOf(page, element);
    if (from !== 'content' || !isAddress(name)) return;
    tell({ at: element, message: 'address', values: { text: name }, subject: `${valueOf(element, 'href') ?? ''} ${name}` });
  },
});
