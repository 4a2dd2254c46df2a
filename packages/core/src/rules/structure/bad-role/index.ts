import { has, tidy, valueOf, type ElementNode } from '../../../document/tree.ts';
import { isKnownRole } from '../../../semantics/roles.ts';
import { ariaValueHolds, REQUIRED_BY_ROLE } from '../../../standards/aria.ts';
import { defineRule } from '../../types.ts';
import { lookup } from '../../../source/lookup.ts';

/** Roles that only sort others and that no author may use (WAI-ARIA 1.2, "Abstract Roles"). */
const ABSTRACT = new Set([
  'command',
  'composite',
  'input',
  'landmark',
  'range',
  'roletype',
  'section',
  'sectionhead',
  'select',
  'structure',
  'widget',
  'window',
]);
/** Native elements that bring the state their role asks for. */
const NATIVE: Record<string, readonly string[]> = {
  checkbox: ['input'],
  radio: ['input'],
  switch: ['input'],
  combobox: ['select', 'input'],
  slider: ['input'],
  meter: ['meter'],
  heading: ['h1', 'h2', 'h3', 'h4', 'h5', 'h6'],
  menuitemcheckbox: ['input'],
  menuitemradio: ['input'],
};

export const rule = defineRule({
  id: 'structure/bad-role',
  title: 'Role that says nothing, or only half',
  why: 'The reader’s program does not know what the thing is, or in which state.',
  fix: 'Use a role of the standard with the states it needs, or the plain element for it.',
  alike: true,
  criteria: ['4.1.2'],
  techniques: ['ARIA4', 'F92'],
  weight: 'must',
  scope: 'any',
  remedies: [],
  messages: {
    unknown: '“{role}” is no role of the standard',
    abstract: '“{role}” only sorts other roles and may not be used',
    lacking: 'The role “{role}” needs {attribute}',
  },
  tags: ['*'],
  visit(_page, element, tell) {
    const role = has(element, 'role') ? tidy(valueOf(element, 'role')!).toLowerCase() : '';
    if (!role) return;
    const words = role.split(' ');
    const known = words.find(isKnownRole);
    if (!known)
      tell({ at: element, message: words.some((word) => ABSTRACT.has(word)) ? 'abstract' : 'unknown', values: { role }, subject: role });
    else {
      const attribute = lacking(element, known);
      // A heading without a level counts as level 2: heard, if perhaps wrongly.
      if (attribute)
        tell({
          at: element,
          message: 'lacking',
          values: { role: known, attribute },
          subject: `${role} ${attribute}`,
          ...(known === 'heading' || known === 'combobox' ? { weight: 'should' as const } : {}),
        });
    }
  },
});

function lacking(element: ElementNode, role: string): string | null {
  if (lookup(NATIVE, role)?.includes(element.tag)) return null;
  return (
    (lookup(REQUIRED_BY_ROLE, role) ?? []).find(
      (attribute) => (valueOf(element, attribute) ?? '').trim() === '' || !ariaValueHolds('string', valueOf(element, attribute)!),
    ) ?? null
  );
}
