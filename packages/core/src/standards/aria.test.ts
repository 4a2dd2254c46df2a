import { aria, roles } from 'aria-query';
import { isKnownRole } from '../semantics/roles.ts';
import { ARIA_ATTRIBUTES, ariaValueHolds, REQUIRED_BY_ROLE } from './aria.ts';

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
    const theirs = Object.keys(roles.get(role as never)!.requiredProps);
    for (const attribute of attributes) expect([role, attribute, theirs.includes(attribute)]).toEqual([role, attribute, true]);
  }
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
