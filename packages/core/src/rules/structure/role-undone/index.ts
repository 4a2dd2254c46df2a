import { defineRule } from '../../types.ts';
import { has, valueOf } from '../../../document/tree.ts';
import { shownText } from '../../../semantics/names.ts';
import { isFocusable, isShutOff } from '../../../semantics/roles.ts';
export const rule = defineRule({
  id: 'structure/role-undone',
  title: 'Role taken away from what needs it',
  why: 'It is a heading or a control for those who see it, and nothing of the kind for those who listen.',
  fix: 'Take the role away; the element says by itself what it is.',
  criteria: ['1.3.1', '4.1.2'],
  techniques: ['F92'],
  weight: 'must',
  scope: 'any',
  remedies: ['remove'],
  messages: {
    heading: 'The heading “{text}” is told to nobody as one: its role is “{role}”',
    control: '“{text}” takes focus, and its role says that it is nothing: “{role}”',
  },
  tags: ['h1', 'h2', 'h3', 'h4', 'h5', 'h6', '*'],
  visit(page, element, tell) {
    const role = has(element, 'role') ? valueOf(element, 'role')!.trim().toLowerCase() : '';
    if (role !== 'presentation' && role !== 'none' && role !== 'generic') return;
    const text = shownText(page, element, 90) || element.tag;
    if (/^h[1-6]$/.test(element.tag)) tell({ at: element, message: 'heading', values: { text, role }, subject: text });
    else if (element.tag !== 'img' && isFocusable(element) && !isShutOff(element) && Number(valueOf(element, 'tabindex') ?? 0) >= 0)
      tell({ at: element, message: 'control', values: { text, role }, subject: text });
  },
});
