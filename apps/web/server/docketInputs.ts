import 'server-only';
import { checker, DAY, ID, PAGES, SHORT } from './inputs';

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
export const TAKE_FROM = checker({
  ...base,
  required: ['collection', 'findings'],
  properties: { collection: COLLECTION, findings: FINDINGS },
});
export const TAKERS = checker({ ...base, required: ['collection'], properties: { collection: COLLECTION } });
export const DOCKET = checker({
  ...base,
  required: ['person', 'state', 'after'],
  properties: { person: SOMEBODY, state: { enum: ['to do', 'returned', 'done'] }, after: PLACE },
});
