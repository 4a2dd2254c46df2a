import { Ajv, type ErrorObject } from 'ajv';
import { RULES, USUAL_THRESHOLDS, type Profile, type Vocabulary } from '@inkwell/core';

const WEIGHTS = ['must', 'should', 'consider'];

const PHRASES = { type: 'array', maxItems: 500, items: { type: 'string', minLength: 1, maxLength: 200 } };

const SETTINGS = {
  holds: { type: 'array', items: { enum: WEIGHTS }, uniqueItems: true },
  weights: { type: 'object', propertyNames: { enum: RULES.map((rule) => rule.id) }, additionalProperties: { enum: [...WEIGHTS, 'off'] } },
  thresholds: {
    type: 'object',
    properties: Object.fromEntries(Object.keys(USUAL_THRESHOLDS).map((name) => [name, { type: 'number', minimum: 0 }])),
    additionalProperties: false,
  },
  plainLinkTexts: PHRASES,
  twoAnswers: { type: 'array', items: { enum: RULES.filter((rule) => rule.question).map((rule) => rule.id) }, uniqueItems: true },
};

/** Roles that may let something stand at all. */
const EXCEPTING = ['reviewer', 'administrator'];
const EXCEPTION = {
  type: 'object',
  properties: {
    by: { type: 'array', items: { enum: EXCEPTING }, uniqueItems: true },
    days: { type: 'integer', minimum: 1, maximum: 731 },
  },
  additionalProperties: false,
};

/** A profile file: the standard and level, what the house sets otherwise, also for single content types, and its own words and colours. */
export const PROFILE_SCHEMA = {
  type: 'object',
  required: ['name', 'standard', 'level', 'holds'],
  additionalProperties: false,
  properties: {
    name: { type: 'string', minLength: 1, maxLength: 80 },
    standard: { enum: ['WCAG 2.0', 'WCAG 2.1', 'WCAG 2.2'] },
    level: { enum: ['A', 'AA', 'AAA'] },
    ...SETTINGS,
    questionsHold: { type: 'boolean' },
    exceptions: {
      type: 'object',
      properties: Object.fromEntries(WEIGHTS.map((weight) => [weight, EXCEPTION])),
      additionalProperties: false,
    },
    vocabulary: {
      type: 'object',
      properties: {
        vagueLinks: PHRASES,
        placeholders: PHRASES,
        fileNames: PHRASES,
        fillers: PHRASES,
        allowedClasses: PHRASES,
        colours: { type: 'array', maxItems: 500, items: { type: 'string', pattern: '^#[0-9a-fA-F]{6}$' } },
      },
      additionalProperties: false,
    },
    contentTypes: { type: 'object', additionalProperties: { type: 'object', properties: SETTINGS, additionalProperties: false } },
  },
};

const validate = new Ajv({ allErrors: true }).compile<Profile & { vocabulary?: Vocabulary }>(PROFILE_SCHEMA);

export type ProfileRead = { ok: true; profile: Profile; vocabulary: Vocabulary } | { ok: false; reason: string };

/** Reads a profile file; a failure says where the first wrong value stands and what was expected there. */
export function readProfile(text: string): ProfileRead {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return { ok: false, reason: 'is not JSON' };
  }
  if (!validate(data))
    return { ok: false, reason: explain(validate.errors?.find((one) => one.keyword !== 'propertyNames') ?? validate.errors?.[0]) };
  const { vocabulary = {}, ...profile } = data;
  return { ok: true, profile, vocabulary };
}

/** The profile as a file that `readProfile` reads. */
export function writeProfile(profile: Profile, vocabulary: Vocabulary = {}): string {
  const file = Object.keys(vocabulary).length > 0 ? { ...profile, vocabulary } : profile;
  return `${JSON.stringify(file, null, 2)}\n`;
}

function explain(error: ErrorObject | undefined): string {
  if (!error) return 'is no profile';
  const where = error.instancePath.slice(1).replaceAll('/', ' → ') || 'the profile';
  const { allowedValues, additionalProperty, missingProperty } = error.params as Record<string, unknown>;
  if (missingProperty) return `lacks ${String(missingProperty)}`;
  if (additionalProperty) return `has ${String(additionalProperty)} in ${where}, which no profile knows`;
  if (Array.isArray(allowedValues))
    return `has a wrong value at ${where}; it may be ${allowedValues.slice(0, 6).join(', ')}${allowedValues.length > 6 ? ' and others' : ''}`;
  return `has a wrong value at ${where}: it ${error.message ?? 'is not as expected'}`;
}
