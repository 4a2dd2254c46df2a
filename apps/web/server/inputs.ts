import 'server-only';
import Ajv from 'ajv';
import { REMEDY_NAMES, STEPS } from '@inkwell/core';
import { FAMILIES } from '@/ui/words';
import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

const ajv = new Ajv({ allErrors: false, coerceTypes: false });

export type Checked<T> = { ok: true; value: T } | { ok: false; why: string };
export type Checker<T> = ((input: unknown) => Checked<T>) & { schema: object };

/** Makes a check from a schema, which also gives the type; a failed check says in a sentence what is wrong. */
export function checker<const S extends JSONSchema>(schema: S): Checker<FromSchema<S>> {
  const validate = ajv.compile(schema as object);
  const check = (input: unknown): Checked<FromSchema<S>> =>
    validate(input)
      ? { ok: true, value: input as FromSchema<S> }
      : { ok: false, why: `What was sent is not what is expected: ${ajv.errorsText(validate.errors, { dataVar: 'it' })}.` };
  return Object.assign(check, { schema: schema as object });
}

/** Longest text taken over the wire, in characters; the use-cases say what a page may hold. */
const TEXT = { type: 'string', maxLength: 22_000_000 } as const;
/** A day as it is written, or none; whether there is such a day the use-cases say. */
export const DAY = { type: ['string', 'null'], pattern: '^\\d{4}-\\d{2}-\\d{2}$' } as const;
export const ID = { type: 'integer', minimum: 1 } as const;
export const SHORT = { type: 'string', maxLength: 20_000 } as const;

const base = { type: 'object', additionalProperties: false } as const;

const PLACES = { type: 'array', items: { type: 'integer', minimum: 0 }, minItems: 1, maxItems: 10_000 } as const;
/** The page's version as the person saw it goes with everything that changes it. */
const ON_FINDING = { version: ID, findingId: ID, places: PLACES } as const;

const SCOPES = ['document', 'fragment'] as const;
export const NOTHING = checker({ ...base, properties: {} });
export const FIX = checker({
  ...base,
  required: ['version', 'findingId', 'remedy', 'inputs'],
  properties: {
    version: ID,
    revision: ID,
    findingId: ID,
    remedy: { type: 'string', maxLength: 40 },
    inputs: { type: 'object', additionalProperties: SHORT },
  },
});
export const SOURCE = checker({
  ...base,
  required: ['version', 'html'],
  properties: { version: { type: 'integer', minimum: 0 }, revision: { type: 'integer', minimum: 0 }, html: TEXT },
});
const BECAME = ['new', 'as it was', 'changed', 'moved', 'moved and changed', 'back'] as const;
export const SHOW = checker({
  ...base,
  required: ['after'],
  properties: { after: { type: 'integer', minimum: 0 }, became: { enum: BECAME } },
});
const TYPE = { type: 'string', minLength: 1, maxLength: 40 } as const;
export const ACCEPT = checker({
  ...base,
  required: ['title', 'types'],
  properties: { title: { type: 'string', maxLength: 300 }, types: { type: 'object', maxProperties: 50, additionalProperties: TYPE } },
});
export const FETCH = checker({
  ...base,
  required: ['kind', 'text'],
  properties: {
    kind: { enum: ['addresses', 'sitemap', 'start'] },
    text: { type: 'string', maxLength: 400_000 },
    newerOf: { type: 'string', maxLength: 200 },
  },
});
const ANSWERS = { type: 'object', maxProperties: 1_000, additionalProperties: { type: 'string', maxLength: 20 } } as const;
export const TRY_CLEANING = checker({ ...base, required: ['position', 'answers'], properties: { position: ID, answers: ANSWERS } });
export const CHOOSE_CLEANING = checker({
  ...base,
  required: ['on', 'choice', 'answers'],
  properties: {
    on: { oneOf: [ID, { const: 'the rest' }] },
    choice: { enum: ['clean', 'clean if nothing is asked', 'leave', null] },
    answers: ANSWERS,
  },
});
export const LOOK_AFTER = checker({
  ...base,
  properties: { title: { type: 'string', maxLength: 300 }, putAway: { type: 'boolean' } },
});
export const TITLED = checker({ ...base, required: ['title'], properties: { title: { type: 'string', maxLength: 300 } } });
export const STEP = checker({ ...base, required: ['version'], properties: { version: ID } });
export const RESTORE = checker({ ...base, required: ['version', 'revision'], properties: { version: ID, revision: ID } });
export const RULE = checker({
  ...base,
  required: ['version', 'findingId', 'answer'],
  properties: { ...ON_FINDING, answer: { enum: ['stands', 'no problem', 'not sure'] } },
});
const PATH = { type: 'string', maxLength: 4_000 } as const;
/** Rows or columns of headers. */
const DEPTH = { type: 'integer', minimum: 1, maximum: 3 } as const;
/** Fixes of one thing, filled in together. */
export const FIX_TOGETHER = checker({
  ...base,
  required: ['version', 'parts'],
  properties: {
    version: ID,
    revision: ID,
    parts: {
      type: 'array',
      minItems: 1,
      maxItems: 20,
      items: {
        ...base,
        required: ['findingId', 'remedy', 'inputs'],
        properties: { findingId: ID, remedy: { enum: REMEDY_NAMES }, inputs: { type: 'object', additionalProperties: SHORT } },
      },
    },
  },
});
/** Findings that are left as they are. */
const WITHOUT = { type: 'array', items: ID, maxItems: 10_000 } as const;
export const FIX_ALIKE = checker({
  ...base,
  required: ['version', 'findingId', 'remedy', 'inputs'],
  properties: {
    version: ID,
    findingId: ID,
    remedy: { enum: REMEDY_NAMES },
    inputs: { type: 'object', additionalProperties: SHORT },
    without: WITHOUT,
  },
});
export const FIX_CERTAIN = checker({ ...base, required: ['version'], properties: { version: ID, without: WITHOUT } });
export const ARRANGE = checker({
  ...base,
  required: ['version', 'arrangement'],
  properties: {
    version: ID,
    arrangement: {
      oneOf: [
        {
          ...base,
          required: ['kind', 'levels'],
          properties: {
            kind: { const: 'levels' },
            levels: {
              type: 'array',
              minItems: 1,
              maxItems: 5_000,
              items: {
                ...base,
                required: ['path', 'level'],
                properties: { path: PATH, level: { type: 'integer', minimum: 0, maximum: 6 } },
              },
            },
          },
        },
        {
          ...base,
          required: ['kind', 'path', 'headers', 'caption'],
          properties: {
            kind: { const: 'table' },
            path: PATH,
            headers: { enum: ['row', 'column', 'both', 'none'] },
            caption: { type: 'string', maxLength: 2_000 },
            depth: {
              ...base,
              required: ['rows', 'columns'],
              properties: { rows: DEPTH, columns: DEPTH },
            },
            fills: {
              type: 'array',
              maxItems: 200,
              items: { ...base, required: ['path', 'text'], properties: { path: PATH, text: { type: 'string', maxLength: 400 } } },
            },
          },
        },
        {
          ...base,
          required: ['kind', 'path', 'order'],
          properties: { kind: { const: 'flatten' }, path: PATH, order: { enum: ['rows', 'columns'] } },
        },
      ],
    },
  },
});
export const LET_STAND = checker({
  ...base,
  required: ['version', 'findingId', 'reason', 'until'],
  properties: { ...ON_FINDING, reason: { type: 'string', maxLength: 2_000 }, until: { type: 'string', maxLength: 10 } },
});
export const ELSEWHERE = checker({
  ...base,
  required: ['version', 'findingId', 'elsewhere'],
  properties: { ...ON_FINDING, elsewhere: { type: 'boolean' } },
});
export const ON_ONE = checker({ ...base, required: ['version', 'findingId'], properties: ON_FINDING });
const SLUGS = { type: 'array', minItems: 1, maxItems: 2_000, items: { type: 'string', minLength: 1, maxLength: 200 } } as const;
/** A choice in the ledger, in place of the pages it comes to. */
const CHOSEN = {
  ...base,
  properties: {
    verdict: { enum: ['held', 'judge', 'ready'] },
    release: { enum: ['draft', 'signed off', 'published', 'lapsed'] },
    family: { enum: FAMILIES },
    contentType: { type: 'string', maxLength: 40 },
    part: { type: 'string', maxLength: 4_000 },
    by: { type: 'string', maxLength: 80 },
    words: { type: 'string', maxLength: 200 },
  },
} as const;
export const PAGES = { oneOf: [SLUGS, CHOSEN] } as const;
export const ON_PAGES = checker({
  ...base,
  required: ['act', 'pages'],
  properties: { act: { enum: ['certain', 'sign off'] }, pages: PAGES },
});
export const CHOSEN_PAGES = checker({ ...base, required: ['pages'], properties: { pages: PAGES } });
export const RETYPE = checker({
  ...base,
  required: ['pages', 'contentType'],
  properties: { pages: PAGES, contentType: { type: 'string', minLength: 1, maxLength: 40 } },
});
const WORDS = { type: 'string', maxLength: 200 } as const;
export const CHOOSE_IMAGE = checker({
  ...base,
  required: ['words', 'after'],
  properties: { words: WORDS, after: { type: 'string', maxLength: 4_000 } },
});
export const CHOOSE_PAGE = checker({
  ...base,
  required: ['words', 'skip'],
  properties: { words: WORDS, skip: { type: 'integer', minimum: 0, maximum: 100_000 } },
});
export const CHOOSE_HEADING = checker({ ...base, required: ['page'], properties: { page: WORDS } });
const STANDINGS = ['unseen', 'to mend', 'to become a page', 'fit'] as const;
export const ATTACHMENTS = checker({
  ...base,
  required: ['files'],
  properties: {
    files: {
      type: 'array',
      minItems: 1,
      maxItems: 500,
      items: { ...base, required: ['path', 'version'], properties: { path: { type: 'string', maxLength: 4_000 }, version: ID } },
    },
    standing: { enum: STANDINGS },
    owner: { type: ['string', 'null'], maxLength: 80 },
    due: DAY,
    note: { type: 'string', maxLength: 2_000 },
  },
});
const KEY = { type: 'string', minLength: 1, maxLength: 2 } as const;
export const KEYS = checker({
  ...base,
  required: ['on', 'assigned'],
  properties: { on: { type: 'boolean' }, assigned: { type: 'object', maxProperties: 60, additionalProperties: KEY } },
});
export const LOOK_AT = checker({
  ...base,
  required: ['version', 'step', 'looked'],
  properties: { version: ID, step: { enum: STEPS.map(({ id }) => id) }, looked: { type: 'boolean' } },
});
export const CHANGE_PAGE = checker({
  ...base,
  required: ['version'],
  properties: {
    version: ID,
    title: { type: 'string', maxLength: 400 },
    contentType: TYPE,
    scope: { enum: SCOPES },
    behind: { type: ['string', 'null'], maxLength: 200 },
  },
});
export const MOVE_PAGE = checker({
  ...base,
  required: ['version', 'address'],
  properties: { version: ID, address: { type: 'string', maxLength: 1_000 } },
});
export const REPLACE_PAGE = checker({
  ...base,
  required: ['version', 'bytes'],
  properties: { version: ID, bytes: { type: 'string', maxLength: 44_000_000 } },
});
export const BRING_PAGES = checker({ ...base, required: ['pages'], properties: { pages: SLUGS } });
export const PAGES_OUT = checker({ ...base, required: ['skip'], properties: { skip: { type: 'integer', minimum: 0, maximum: 100_000 } } });
export const ON_SLIP = checker({ ...base, required: ['findingId'], properties: { findingId: ID } });
export const STROKE = checker({
  ...base,
  required: ['findingId', 'act', 'pages'],
  properties: {
    findingId: ID,
    act: { enum: ['fix', 'elsewhere', 'no problem'] },
    remedy: { enum: REMEDY_NAMES },
    inputs: { type: 'object', additionalProperties: SHORT },
    pages: { type: 'array', minItems: 1, maxItems: 5_000, items: ID },
  },
});
export const IMAGE = checker({ ...base, required: ['image'], properties: { image: { type: 'string', minLength: 1, maxLength: 2_000 } } });
export const COMPARE = checker({ ...base, required: ['from', 'to'], properties: { from: ID, to: ID } });
export const SPENT = checker({
  ...base,
  required: ['spent'],
  properties: {
    spent: {
      type: 'array',
      maxItems: 200,
      items: {
        ...base,
        required: ['finding_id', 'what', 'seconds'],
        properties: {
          finding_id: ID,
          what: { enum: ['shown', 'first input', 'applied', 'skipped', 'ruled'] },
          seconds: { type: 'number', minimum: 0, maximum: 86_400 },
        },
      },
    },
  },
});
export const TIME_LOG = checker({ ...base, required: ['keep'], properties: { keep: { type: 'boolean' } } });
export const BRING_IN = checker({
  ...base,
  required: ['collection', 'title'],
  properties: {
    collection: { type: 'string', maxLength: 200 },
    title: { type: 'string', maxLength: 400 },
    text: TEXT,
    fileName: { type: 'string', maxLength: 400 },
    bytes: { type: 'string', maxLength: 44_000_000 },
    door: ANSWERS,
  },
});
export const WORK = checker({ ...base, properties: { cancel: { type: 'string', pattern: '^[0-9]{1,18}$' } } });
export const REMARKS = checker({
  ...base,
  required: ['finding', 'words'],
  properties: { finding: ID, words: { type: ['string', 'null'], maxLength: 20_000 } },
});
export const AM_HERE = checker({ ...base, required: ['here'], properties: { here: { type: 'boolean' } } });
export const KEEP_OPEN = checker({ ...base, required: ['open'], properties: { open: { type: 'boolean' } } });
