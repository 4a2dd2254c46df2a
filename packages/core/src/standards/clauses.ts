import type { Criterion } from './criteria.ts';

/**
 * The clause of EN 301 549 V3.2.1 (2021-03), chapter 9, that asks for a criterion: its own number behind a 9. The standard asks for levels
 * A and AA of WCAG 2.1; AAA stands in its 9.5 as what goes further. Null: it knows the criterion not.
 */
export function clauseOf({ id, level, since }: Pick<Criterion, 'id' | 'level' | 'since'>): string | null {
  if (since === '2.2') return null;
  return level === 'AAA' ? '9.5' : `9.${id}`;
}
