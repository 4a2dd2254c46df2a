import 'server-only';
import { GATE_GROUPS, LOOKS } from '@inkwell/review';
import { checker, ID } from './inputs';

const base = { type: 'object', additionalProperties: false } as const;
const GROUP = { enum: [...GATE_GROUPS] } as const;
const COLLECTION = { type: 'string', minLength: 1, maxLength: 200 } as const;
const SHORT = { type: 'string', maxLength: 1_000 } as const;
/** Pages by number, or all of a group. */
const AT_GATE = {
  anyOf: [
    { type: 'array', items: ID, minItems: 1, maxItems: 5_000 },
    { ...base, required: ['group', 'collection'], properties: { group: GROUP, collection: { type: ['integer', 'null'], minimum: 1 } } },
  ],
} as const;

export const SHOW_GATE = checker({
  ...base,
  required: ['group', 'collection', 'after'],
  properties: {
    group: GROUP,
    collection: { type: ['string', 'null'], maxLength: 200 },
    after: { type: ['string', 'null'], maxLength: 40 },
  },
});
export const CHOSEN_AT_GATE = checker({ ...base, required: ['which'], properties: { which: AT_GATE } });
export const PUBLICATION = checker({
  ...base,
  required: ['which', 'act', 'at'],
  properties: {
    which: AT_GATE,
    act: { enum: ['publish', 'unpublish'] },
    at: { type: ['string', 'null'], pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d{3})?Z$' },
  },
});
export const LOOKED = checker({
  ...base,
  required: ['page', 'revision', 'item', 'done'],
  properties: { page: ID, revision: ID, item: { enum: [...LOOKS] }, done: { type: 'boolean' } },
});
export const SIGNING = checker({
  ...base,
  required: ['signatures', 'fixerMaySign', 'looksNeeded'],
  properties: {
    signatures: { type: 'integer', minimum: 1, maximum: 2 },
    fixerMaySign: { type: 'boolean' },
    looksNeeded: { type: 'boolean' },
  },
});
export const NEW_HOST = checker({
  ...base,
  required: ['name', 'kind', 'address', 'token'],
  properties: { name: SHORT, kind: { enum: ['host', 'folder'] }, address: SHORT, token: SHORT },
});
export const ON_HOST = checker({ ...base, required: ['host'], properties: { host: ID } });
export const BRING_FROM_HOST = checker({
  ...base,
  required: ['host', 'place'],
  properties: { host: ID, place: { type: 'string', minLength: 1, maxLength: 200 } },
});
export const CONNECT = checker({
  ...base,
  required: ['collection', 'host', 'place'],
  properties: { collection: COLLECTION, host: ID, place: { type: 'string', minLength: 1, maxLength: 200 } },
});
export const ON_COLLECTION = checker({ ...base, required: ['collection'], properties: { collection: COLLECTION } });
export const SETTLE = checker({
  ...base,
  required: ['collection', 'page', 'take'],
  properties: {
    collection: COLLECTION,
    page: { type: ['integer', 'null'], minimum: 1, maximum: 2_147_483_647 },
    take: { enum: ['theirs', 'ours'] },
  },
});
