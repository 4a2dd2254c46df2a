import { RULES } from '../rules/registry.ts';
import { familyOf } from '../rules/types.ts';
import { stepOf, STEPS } from './steps.ts';

test('every family belongs to one step, so that the walk passes every rule once', () => {
  const families = new Set(RULES.map((rule) => familyOf(rule)));
  for (const family of families)
    expect(STEPS.filter((step) => step.families.includes(family)).map(({ id }) => id)).toEqual([stepOf(family)]);
  expect(STEPS.flatMap((step) => step.families).sort()).toEqual([...families].sort());
});

test('the steps go from the title to the rest', () => {
  expect(STEPS.map(({ id }) => id)).toEqual(['outline', 'lists', 'links', 'images', 'tables', 'colour', 'media', 'rest']);
});
