import 'server-only';
import { checker, ID, SHORT } from './inputs';

const base = { type: 'object', additionalProperties: false } as const;
const SUM = { type: 'string', minLength: 1, maxLength: 80 } as const;
const RULE = { type: 'string', minLength: 1, maxLength: 80 } as const;
const ANY_RULE = { type: ['string', 'null'], maxLength: 80 } as const;

export const ASK = checker({
  ...base,
  required: ['waiting', 'rule', 'skip'],
  properties: {
    waiting: { enum: ['anybody', 'specialist'] },
    rule: ANY_RULE,
    skip: { type: 'array', maxItems: 3_000, items: SUM },
  },
});
export const GIVE = checker({
  ...base,
  required: ['finding', 'page', 'same', 'answer', 'reach', 'reason'],
  properties: {
    finding: ID,
    page: ID,
    same: SUM,
    answer: { enum: ['stands', 'no problem', 'not sure'] },
    reach: { enum: ['page', 'collection', 'everywhere'] },
    reason: SHORT,
  },
});
export const BACK = checker({ ...base, required: ['answer'], properties: { answer: ID } });
export const GIVEN = checker({
  ...base,
  required: ['before', 'rule'],
  properties: { before: { anyOf: [ID, { type: 'null' }] }, rule: ANY_RULE },
});
export const OFF = checker({ ...base, required: ['rule'], properties: { rule: RULE } });
export const DESCRIBE = checker({
  ...base,
  required: ['page', 'same', 'reach', 'alternative'],
  properties: { page: ID, same: SUM, reach: { enum: ['page', 'collection', 'everywhere'] }, alternative: SHORT },
});
