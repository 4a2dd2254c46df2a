import 'server-only';
import { FAMILIES } from '@/ui/words';
import { checker, DAY, ID, PAGES, SHORT } from './inputs';
import { CHOSEN } from './registerInputs';

const base = { type: 'object', additionalProperties: false } as const;
const COLLECTION = { type: 'string', maxLength: 200 } as const;
const SOMEBODY = { type: 'string', minLength: 1, maxLength: 100 } as const;
const FINDINGS = { type: 'array', minItems: 1, maxItems: 10_000, items: ID } as const;
const PLACE = { ...base, type: ['object', 'null'], required: ['due', 'page'], properties: { due: DAY, page: ID } } as const;

export const HAND_OUT = checker({
  ...base,
  required: ['collection', 'to', 'due', 'words', 'pages', 'findings'],
  properties: {
    collection: COLLECTION,
    to: SOMEBODY,
    due: DAY,
    words: SHORT,
    pages: PAGES,
    findings: { anyOf: [FINDINGS, { type: 'null' }] },
  },
});
export const HAND_OUT_CHOSEN = checker({
  ...base,
  required: ['collection', 'to', 'due', 'words', 'chosen'],
  properties: { collection: { type: ['string', 'null'], maxLength: 200 }, to: SOMEBODY, due: DAY, words: SHORT, chosen: CHOSEN },
});
export const TAKE_FROM = checker({
  ...base,
  required: ['collection', 'findings'],
  properties: { collection: COLLECTION, findings: FINDINGS },
});
export const TAKERS = checker({
  ...base,
  required: ['collection'],
  properties: { collection: { type: ['string', 'null'], maxLength: 200 } },
});
export const DOCKET = checker({
  ...base,
  required: ['person', 'state', 'after'],
  properties: { person: SOMEBODY, state: { enum: ['to do', 'returned', 'done'] }, after: PLACE },
});

export const HANDED = checker({
  ...base,
  required: ['by', 'person', 'family', 'page', 'due', 'as', 'skip'],
  properties: {
    by: { enum: ['person', 'page', 'family', 'due'] },
    person: { type: ['string', 'null'], maxLength: 100 },
    family: { enum: [...FAMILIES, null] },
    as: { enum: ['table', 'board'] },
    page: { type: ['integer', 'null'], minimum: 1, maximum: 2_147_483_647 },
    due: { type: ['string', 'null'], maxLength: 10 },
    skip: { type: 'integer', minimum: 0, maximum: 1_000_000 },
  },
});
export const CHANGE_HANDED = checker({
  ...base,
  required: ['cards', 'change'],
  properties: {
    cards: {
      type: 'array',
      minItems: 1,
      maxItems: 1_000,
      items: { ...base, required: ['page', 'person'], properties: { page: ID, person: SOMEBODY } },
    },
    change: { anyOf: [{ const: 'back' }, { ...base, minProperties: 1, properties: { to: SOMEBODY, due: DAY } }] },
  },
});
