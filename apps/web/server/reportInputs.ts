import 'server-only';
import { checker, ID } from './inputs';

const base = { type: 'object', additionalProperties: false } as const;
const COLLECTION = { type: 'string', minLength: 1, maxLength: 200 } as const;
const WORDS = { type: 'string', maxLength: 4_000 } as const;

export const KEEP_REPORT = checker({
  ...base,
  required: ['collection'],
  properties: { collection: COLLECTION, page: { type: ['string', 'null'], maxLength: 200 }, sampleOnly: { type: 'boolean' } },
});
export const JUDGE_CRITERION = checker({
  ...base,
  required: ['collection', 'criterion', 'outcome', 'words'],
  properties: {
    collection: COLLECTION,
    criterion: { type: 'string', maxLength: 10 },
    outcome: { enum: ['passed', 'failed', 'cannot tell', 'not present', null] },
    words: WORDS,
  },
});
export const DRAW_SAMPLE = checker({
  ...base,
  required: ['collection', 'seed', 'most'],
  properties: {
    collection: COLLECTION,
    seed: { type: ['integer', 'null'], minimum: 0, maximum: 2_147_483_647 },
    most: { type: 'integer', minimum: 1, maximum: 60 },
  },
});
export const STATEMENT = checker({
  ...base,
  required: ['collection', 'contact', 'words', 'shown'],
  properties: { collection: COLLECTION, contact: { type: 'string', maxLength: 500 }, words: WORDS, shown: { type: 'boolean' } },
});
export const ANSWER_READER = checker({ ...base, required: ['barrier', 'answer'], properties: { barrier: ID, answer: WORDS } });
export const BARRIER = checker({
  ...base,
  required: ['collection', 'place', 'words', 'replyTo'],
  properties: {
    collection: COLLECTION,
    place: { type: 'string', maxLength: 1_000 },
    words: WORDS,
    replyTo: { type: 'string', maxLength: 254 },
  },
});
