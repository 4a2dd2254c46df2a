import { aria, roles as all, type ARIARoleDefinition } from 'aria-query';
import { isKnownRole } from '../semantics/roles.ts';
import {
  ARIA_ATTRIBUTES,
  ariaValueHolds,
  CONTEXT_OF_ROLE,
  NAMED_ROLES,
  PARTS_OF_ROLE,
  REQUIRED_BY_ROLE,
  UNNAMED_ROLES,
  WHOLE_ROLES,
} from './aria.ts';

/** What the package holds, and its types leave out. */
interface Definition extends ARIARoleDefinition {
  requiredContextRole: string[];
  requiredOwnedElements: string[][];
  accessibleNameRequired: boolean;
}
const roles = all as unknown as Map<string, Definition>;

// The two texts for indices came with WAI-ARIA 1.3, after that package.
test('every attribute that aria-query knows is known, and no other', () => {
  expect(Object.keys(ARIA_ATTRIBUTES).sort()).toEqual([...aria.keys(), 'aria-colindextext', 'aria-rowindextext'].sort());
});

test('tokens are those of aria-query', () => {
  for (const [name, { type, values }] of aria.entries()) {
    const ours = ARIA_ATTRIBUTES[name]!;
    if (type === 'token') expect([name, [...(ours as readonly string[])].sort()]).toEqual([name, (values ?? []).map(String).sort()]);
    if (type === 'boolean') expect([name, ours]).toEqual([name, expect.stringMatching(/^true\/false/)]);
  }
});

test('every role an author may use is known, and abstract ones are not', () => {
  for (const [name, { abstract }] of roles.entries()) expect([name, isKnownRole(name)]).toEqual([name, !abstract]);
});

test('required states are those of aria-query, without those that have a value by default', () => {
  for (const [role, attributes] of Object.entries(REQUIRED_BY_ROLE)) {
    const theirs = Object.keys(roles.get(role)!.requiredProps);
    for (const attribute of attributes) expect([role, attribute, theirs.includes(attribute)]).toEqual([role, attribute, true]);
  }
});

// Options lost their required parent in that package, and WAI-ARIA 1.2 lets one stand in a combobox's list; figures name their captions.
test('what a role stands in and holds is that of aria-query', () => {
  for (const [role, wholes] of Object.entries(CONTEXT_OF_ROLE))
    if (role !== 'option') expect([role, [...wholes].sort()]).toEqual([role, [...roles.get(role)!.requiredContextRole].sort()]);
  for (const [role, parts] of Object.entries(PARTS_OF_ROLE))
    expect([role, [...parts].sort()]).toEqual([role, [...new Set(roles.get(role)!.requiredOwnedElements.flat())].sort()]);
});

test('which roles are named, unnamed and told as one is that of aria-query', () => {
  const usable = [...roles.entries()].filter(([name, { abstract }]) => !abstract && !/^(?:doc|graphics)-/.test(name));
  for (const role of NAMED_ROLES) expect([role, roles.get(role)!.accessibleNameRequired]).toEqual([role, true]);
  const unnamed = usable.filter(([, { prohibitedProps }]) => (prohibitedProps as string[]).includes('aria-label')).map(([name]) => name);
  expect([...UNNAMED_ROLES].filter((role) => role !== 'none').sort()).toEqual(unnamed.sort());
  for (const role of WHOLE_ROLES) if (role !== 'link') expect([role, roles.get(role)!.childrenPresentational]).toEqual([role, true]);
});

test.each<[string, string, boolean]>([
  ['aria-hidden', 'true', true],
  ['aria-hidden', 'yes', false],
  ['aria-level', '2', true],
  ['aria-level', '2.5', false],
  ['aria-valuenow', '2.5', true],
  ['aria-checked', 'mixed', true],
  ['aria-live', 'Polite', true],
  ['aria-live', 'rude', false],
  ['aria-busy', '', true],
])('%s=%j holds: %s', (name, value, holds) => {
  expect(ariaValueHolds(ARIA_ATTRIBUTES[name]!, value)).toBe(holds);
});
