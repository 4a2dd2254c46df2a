import { Ajv, type ErrorObject } from 'ajv';
import { RULES, USUAL_THRESHOLDS, type Profile } from '@inkwell/core';

const WEIGHTS = ['must', 'should', 'consider'];

const SETTINGS = {
  holds: { type: 'array', items: { enum: WEIGHTS }, uniqueItems: true },
  weights: { type: 'object', propertyNames: { enum: RULES.map((rule) => rule.id) }, additionalProperties: { enum: [...WEIGHTS, 'off'] } },
  thresholds: {
    type: 'object',
    properties: Object.fromEntries(Object.keys(USUAL_THRESHOLDS).map((name) => [name, { type: 'number', minimum: 0 }])),
    additionalProperties: false,
  },
  plainLinkTexts: { type: 'array', items: { type: 'string', minLength: 1 } },
};

/** A profile file: the standard and level, and what the house sets otherwise, also for single content types. */
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
    contentTypes: { type: 'object', additionalProperties: { type: 'object', properties: SETTINGS, additionalProperties: false } },
  },
};

const validate = new Ajv({ allErrors: true }).compile<Profile>(PROFILE_SCHEMA);

export type ProfileRead = { ok: true; profile: Profile } | { ok: false; reason: string };

/** Reads a profile file; a failure says where the first wrong value stands and what was expected there. */
export function readProfile(text: string): ProfileRead {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return { ok: false, reason: 'is not JSON' };
  }
  return validate(data)
    ? { ok: true, profile: data }
    : { ok: false, reason: explain(validate.errors?.find((one) => one.keyword !== 'propertyNames') ?? validate.errors?.[0]) };
}

/** The profile as a file that `readProfile` reads. */
export function writeProfile(profile: Profile): string {
  return `${JSON.stringify(profile, null, 2)}\n`;
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
