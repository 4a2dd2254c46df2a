import 'server-only';
import { EVENTS } from '@inkwell/review';
import { checker, ID } from './inputs';

const base = { type: 'object', additionalProperties: false } as const;

export const NEW_WEBHOOK = checker({
  ...base,
  required: ['url', 'events'],
  properties: { url: { type: 'string', maxLength: 2_000 }, events: { type: 'array', minItems: 1, items: { enum: [...EVENTS] } } },
});
export const END_WEBHOOK = checker({ ...base, required: ['id'], properties: { id: ID } });
export const AGAIN = checker({
  ...base,
  required: ['id', 'delivery'],
  properties: { id: ID, delivery: { type: 'string', pattern: '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$' } },
});
