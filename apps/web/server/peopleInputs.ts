import 'server-only';
import { REACHES } from '@inkwell/review';
import { checker, DAY, ID } from './inputs';

const base = { type: 'object', additionalProperties: false } as const;
const LINE = { type: 'string', maxLength: 400 } as const;
const PASSWORD = { type: 'string', maxLength: 1_000 } as const;
const SOMEBODY = { type: 'string', maxLength: 100 } as const;
const COLLECTION = { type: ['string', 'null'], maxLength: 200 } as const;
const ROLE = { enum: ['reviewer', 'author', 'publisher', 'administrator', 'specialist'] } as const;

export const SIGN_IN = checker({ ...base, required: ['email', 'password'], properties: { email: LINE, password: PASSWORD } });
export const SECOND_CODE = checker({
  ...base,
  required: ['code', 'isRecovery'],
  properties: { code: LINE, isRecovery: { type: 'boolean' } },
});
export const OWN_PASSWORD = checker({ ...base, required: ['password'], properties: { password: PASSWORD } });
export const SIGN_ON_BEGUN = checker({ ...base, required: ['next'], properties: { next: { type: 'string', maxLength: 2_000 } } });
export const DEPARTMENT = checker({ ...base, required: ['person', 'department'], properties: { person: SOMEBODY, department: LINE } });
const DAYS = { type: 'integer', minimum: 0, maximum: 36_500 } as const;
export const KEEPING = checker({
  ...base,
  required: ['messages', 'deeds', 'times'],
  properties: { messages: DAYS, deeds: DAYS, times: DAYS },
});
export const NEW_TOKEN = checker({
  ...base,
  required: ['name', 'as', 'reach', 'days'],
  properties: {
    name: LINE,
    as: { type: ['string', 'null'], maxLength: 400 },
    reach: { type: 'array', maxItems: 6, items: { enum: REACHES } },
    days: { type: 'integer', minimum: 0, maximum: 3_650 },
  },
});
export const END_TOKEN = checker({ ...base, required: ['name'], properties: { name: LINE } });
export const ASK_FOR_PASSWORD = checker({ ...base, required: ['email'], properties: { email: LINE } });
export const USE_LINK = checker({ ...base, required: ['secret', 'password'], properties: { secret: LINE, password: PASSWORD } });
export const INVITE = checker({
  ...base,
  required: ['name', 'email', 'role', 'collection'],
  properties: { name: LINE, email: LINE, role: ROLE, collection: COLLECTION },
});
export const PERSON_ONLY = checker({ ...base, required: ['person'], properties: { person: SOMEBODY } });
export const GIVE_PART = checker({
  ...base,
  required: ['person', 'role', 'collection'],
  properties: { person: SOMEBODY, role: ROLE, collection: COLLECTION },
});
export const TAKE_PART = checker({ ...base, required: ['person', 'part'], properties: { person: SOMEBODY, part: ID } });
export const LEAVE = checker({ ...base, required: ['person', 'day'], properties: { person: SOMEBODY, day: DAY } });
export const FIND_PEOPLE = checker({
  ...base,
  required: ['words'],
  properties: {
    words: LINE,
    after: { ...base, type: ['object', 'null'], required: ['name', 'id'], properties: { name: LINE, id: SOMEBODY } },
  },
});
export const END_SESSION = checker({ ...base, required: ['session'], properties: { session: LINE } });
export const MESSAGES = checker({ ...base, required: ['before'], properties: { before: { type: ['integer', 'null'], minimum: 1 } } });
export const DEEDS = checker({
  ...base,
  required: ['words', 'before'],
  properties: { words: LINE, before: { type: ['string', 'null'], pattern: '^\\d{1,18}$' } },
});
