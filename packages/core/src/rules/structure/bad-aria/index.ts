import { valueOf, type ElementNode } from '../../../document/tree.ts';
import { elementsById } from '../../../semantics/ids.ts';
import type { Page } from '../../../document/page.ts';
import { ARIA_ATTRIBUTES, ariaValueHolds } from '../../../standards/aria.ts';
import { defineRule, type Report } from '../../types.ts';
import { lookup } from '../../../source/lookup.ts';

/** Pointers that name or describe: a dangling one takes a name away. Others point to what a script may still make. */
const NAMING = new Set(['aria-labelledby', 'aria-describedby']);

export const rule = defineRule({
  id: 'structure/bad-aria',
  title: 'ARIA attribute that does not work',
  why: 'What it was meant to say reaches nobody, or says something else.',
  fix: 'Fix the attribute’s name, value or pointer, or take it out.',
  alike: true,
  criteria: ['4.1.2'],
  techniques: ['ARIA5'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    unknown: '{attribute} is no attribute of the standard',
    value: '{attribute} cannot be “{value}”',
    dangling: '{attribute} points to “{value}”, which is not on the page',
  },
  tags: ['*'],
  visit(page, element, tell) {
    for (const { name, value } of element.attributes) {
      if (!name.startsWith('aria-')) continue;
      const report = troubleOf(page, element, name, value);
      if (report) tell({ at: element, ...report, subject: `${name} ${value}` });
    }
  },
});

function troubleOf(
  page: Page,
  element: ElementNode,
  attribute: string,
  value: string,
): Pick<Report<'unknown' | 'value' | 'dangling'>, 'message' | 'values' | 'weight'> | null {
  const type = lookup(ARIA_ATTRIBUTES, attribute);
  if (type === undefined) return { message: 'unknown', values: { attribute } };
  if (!ariaValueHolds(type, value)) return { message: 'value', values: { attribute, value }, weight: 'must' };
  if (type !== 'id' && type !== 'ids') return null;
  const gone = value.split(/\s+/).find((id) => id !== '' && !elementsById(page).has(id));
  if (gone === undefined || (attribute === 'aria-controls' && valueOf(element, 'aria-expanded') === 'false')) return null;
  return { message: 'dangling', values: { attribute, value: gone }, ...(NAMING.has(attribute) ? {} : { weight: 'consider' }) };
}
