import 'server-only';
import { REGISTERS, REMEDY_NAMES } from '@inkwell/core';
import { checker, ID, SHORT } from './inputs';

const base = { type: 'object', additionalProperties: false } as const;
const COLLECTION = { type: ['string', 'null'], maxLength: 200 } as const;
const OF = { enum: REGISTERS } as const;
const THINGS = { type: 'array', maxItems: 20_000, items: { type: 'string', pattern: '^[0-9a-f-]{36}$' } } as const;
const KEY = { type: 'string', maxLength: 8_000 } as const;
const WORD = { type: 'string', maxLength: 60 } as const;
const SKIP = { type: 'integer', minimum: 0, maximum: 10_000_000 } as const;

const CHOICE = {
  ...base,
  required: ['register'],
  properties: {
    register: OF,
    words: { type: 'string', maxLength: 300 },
    trait: WORD,
    rule: WORD,
    state: { enum: ['open', 'asks', 'unused', 'differs', 'gone', 'moved', 'unsure'] },
    group: { enum: ['thing', 'name', 'place', 'bytes', 'alike'] },
    order: { enum: ['uses', 'open', 'name', 'size'] },
  },
} as const;

const one = <const N extends string, const P extends object, const R extends readonly string[]>(name: N, properties: P, required: R) =>
  ({ ...base, required: ['do', ...required], properties: { do: { const: name }, ...properties } }) as const;

const MENDING = {
  oneOf: [
    one('describe', { alternative: SHORT, caption: SHORT }, []),
    one('replace', { to: KEY }, ['to']),
    one('text', { text: SHORT }, ['text']),
    one('lead', { to: KEY }, ['to']),
    one('same window', {}, []),
    one('level', { level: { type: 'integer', minimum: 1, maximum: 6 } }, ['level']),
    one('fix', { rule: WORD, remedy: { enum: REMEDY_NAMES }, inputs: { type: 'object', additionalProperties: SHORT } }, [
      'rule',
      'remedy',
      'inputs',
    ]),
    one('certain', {}, []),
  ],
} as const;

export const REACH = checker({ ...base, required: ['collection'], properties: { collection: COLLECTION } });
export const REGISTER = checker({
  ...base,
  required: ['collection', 'choice', 'skip'],
  properties: { collection: COLLECTION, choice: CHOICE, skip: SKIP },
});
export const THING = checker({
  ...base,
  required: ['collection', 'register', 'things', 'skip'],
  properties: { collection: COLLECTION, register: OF, things: THINGS, skip: SKIP },
});
export const AROUND = checker({
  ...base,
  required: ['collection', 'register', 'on'],
  properties: {
    collection: COLLECTION,
    register: OF,
    on: {
      type: 'array',
      maxItems: 50,
      items: { ...base, required: ['page', 'thing'], properties: { page: ID, thing: KEY } },
    },
  },
});
export const TRY_MENDS = checker({
  ...base,
  required: ['collection', 'register', 'cases'],
  properties: {
    collection: COLLECTION,
    register: OF,
    cases: {
      type: 'array',
      maxItems: 50,
      items: {
        ...base,
        required: ['thing', 'case', 'page', 'mend'],
        properties: { thing: KEY, case: KEY, page: ID, mend: MENDING },
      },
    },
  },
});
/** Things that were chosen: by their ids, or lines of a choice, or all it comes to. */
export const CHOSEN = {
  oneOf: [
    { ...base, required: ['things'], properties: { things: THINGS } },
    {
      ...base,
      required: ['choice', 'keys'],
      properties: { choice: CHOICE, keys: { oneOf: [{ type: 'null' }, { type: 'array', maxItems: 20_000, items: KEY }] } },
    },
  ],
} as const;
export const MEND = checker({
  ...base,
  required: ['collection', 'register', 'chosen'],
  properties: {
    collection: COLLECTION,
    register: OF,
    chosen: CHOSEN,
    mend: MENDING,
    parts: {
      type: 'array',
      maxItems: 20_000,
      items: {
        ...base,
        required: ['thing', 'alike', 'mend'],
        properties: {
          thing: KEY,
          alike: { oneOf: [{ type: 'null' }, { type: 'array', maxItems: 1_000, items: KEY }] },
          mend: MENDING,
        },
      },
    },
    renames: {
      type: 'array',
      maxItems: 20_000,
      items: { ...base, required: ['thing', 'name'], properties: { thing: KEY, name: { type: 'string', minLength: 1, maxLength: 140 } } },
    },
    without: {
      type: 'array',
      maxItems: 20_000,
      items: { ...base, required: ['thing', 'case'], properties: { thing: KEY, case: KEY } },
    },
    leave: { type: 'array', maxItems: 20_000, items: ID },
  },
});
export const OFFERS = checker({ ...base, required: ['register', 'thing', 'page'], properties: { register: OF, thing: KEY, page: ID } });
export const NAME = checker({
  ...base,
  required: ['collection', 'path', 'words'],
  properties: { collection: { type: 'string', maxLength: 200 }, path: KEY, words: { type: 'string', maxLength: 2_000 } },
});
export const RECOLOURING = checker({
  ...base,
  required: ['collection', 'things'],
  properties: { collection: COLLECTION, things: THINGS },
});
export const RECOLOUR = checker({
  ...base,
  required: ['collection', 'things', 'color'],
  properties: { collection: COLLECTION, things: THINGS, color: { type: 'string', maxLength: 60 } },
});
export const PALETTE = checker({
  ...base,
  required: ['colours'],
  properties: {
    colours: {
      type: 'array',
      maxItems: 40,
      items: {
        ...base,
        required: ['value', 'name'],
        properties: { value: { type: 'string', maxLength: 60 }, name: { type: 'string', maxLength: 60 } },
      },
    },
  },
});
export const NAMES = checker({
  ...base,
  required: ['collection', 'choice', 'keys'],
  properties: {
    collection: COLLECTION,
    choice: CHOICE,
    keys: { oneOf: [{ type: 'null' }, { type: 'array', maxItems: 20_000, items: KEY }] },
  },
});
export const OUTLINES = checker({
  ...base,
  required: ['collection', 'contentType', 'skip'],
  properties: { collection: COLLECTION, contentType: { type: ['string', 'null'], maxLength: 60 }, skip: SKIP },
});
export const KEEP_COPY = checker({
  ...base,
  required: ['collection', 'things'],
  properties: { collection: { type: 'string', maxLength: 200 }, things: THINGS },
});
