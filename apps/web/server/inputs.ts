import 'server-only';
import Ajv from 'ajv';
import { REMEDY_NAMES } from '@inkwell/core';
import type { FromSchema, JSONSchema } from 'json-schema-to-ts';

const ajv = new Ajv({ allErrors: false, coerceTypes: false });

export type Checked<T> = { ok: true; value: T } | { ok: false; why: string };
export type Checker<T> = (input: unknown) => Checked<T>;

/** Makes a check from a schema, which also gives the type; a failed check says in a sentence what is wrong. */
function checker<const S extends JSONSchema>(schema: S): Checker<FromSchema<S>> {
  const validate = ajv.compile(schema as object);
  return (input) =>
    validate(input) ? { ok: true, value: input as FromSchema<S> } : { ok: false, why: `What was sent is not what is expected: ${ajv.errorsText(validate.errors, { dataVar: 'it' })}.` };
}

/** Longest text taken over the wire, in characters; the use-cases say what a page may hold. */
const TEXT = { type: 'string', maxLength: 12_000_000 } as const;
const ID = { type: 'integer', minimum: 1 } as const;
const SHORT = { type: 'string', maxLength: 20_000 } as const;

const base = { type: 'object', additionalProperties: false } as const;

export const NOTHING = checker({ ...base, properties: {} });
export const MEND = checker({ ...base, required: ['base', 'findingId', 'remedy', 'inputs'], properties: { base: ID, findingId: ID, remedy: { type: 'string', maxLength: 40 }, inputs: { type: 'object', additionalProperties: SHORT } } });
export const SOURCE = checker({ ...base, required: ['base', 'html'], properties: { base: ID, html: TEXT } });
export const STEP = checker({ ...base, required: ['base'], properties: { base: ID } });
export const RESTORE = checker({ ...base, required: ['base', 'revision'], properties: { base: ID, revision: ID } });
export const RULE = checker({ ...base, required: ['base', 'findingId', 'answer'], properties: { base: ID, findingId: ID, answer: { enum: ['stands', 'no problem', 'not sure'] } } });
const PATH = { type: 'string', maxLength: 4_000 } as const;
export const MEND_ALIKE = checker({ ...base, required: ['base', 'findingId', 'remedy', 'inputs'], properties: { base: ID, findingId: ID, remedy: { enum: REMEDY_NAMES }, inputs: { type: 'object', additionalProperties: SHORT } } });
export const ARRANGE = checker({
  ...base,
  required: ['base', 'arrangement'],
  properties: {
    base: ID,
    arrangement: {
      oneOf: [
        { ...base, required: ['kind', 'levels'], properties: { kind: { const: 'levels' }, levels: { type: 'array', minItems: 1, maxItems: 5_000, items: { ...base, required: ['path', 'level'], properties: { path: PATH, level: { type: 'integer', minimum: 0, maximum: 6 } } } } } },
        { ...base, required: ['kind', 'path', 'headers', 'caption'], properties: { kind: { const: 'table' }, path: PATH, headers: { enum: ['row', 'column', 'both', 'none'] }, caption: { type: 'string', maxLength: 2_000 } } },
        { ...base, required: ['kind', 'path', 'order'], properties: { kind: { const: 'flatten' }, path: PATH, order: { enum: ['rows', 'columns'] } } },
      ],
    },
  },
});
export const WAIVE = checker({ ...base, required: ['base', 'findingId', 'reason', 'until'], properties: { base: ID, findingId: ID, reason: { type: 'string', maxLength: 2_000 }, until: { type: 'string', maxLength: 10 } } });
export const PICTURE = checker({ ...base, required: ['picture'], properties: { picture: { type: 'string', minLength: 1, maxLength: 2_000 } } });
export const COMPARE = checker({ ...base, required: ['from', 'to'], properties: { from: ID, to: ID } });
export const TAKE_BACK = checker({ ...base, required: ['findingId'], properties: { findingId: ID } });
export const BRING_IN = checker({
  ...base,
  required: ['collection', 'title'],
  properties: { collection: { type: 'string', maxLength: 200 }, title: { type: 'string', maxLength: 400 }, text: TEXT, fileName: { type: 'string', maxLength: 400 }, bytes: { type: 'string', maxLength: 30_000_000 } },
});
export const PERSON = checker({ ...base, required: ['person'], properties: { person: { type: 'string', maxLength: 80 } } });
