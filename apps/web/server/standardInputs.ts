import 'server-only';
import { checker, ID } from './inputs';

const base = { type: 'object', additionalProperties: false } as const;
const NAME = { type: 'string', minLength: 1, maxLength: 80 } as const;
const ANY = { type: ['string', 'null'], maxLength: 200 } as const;
/** What it holds is checked as a profile file is. */
const FILE = { type: 'string', minLength: 2, maxLength: 200_000 } as const;

export const READ = checker({ ...base, required: ['file'], properties: { file: FILE } });
export const TRY = checker({ ...base, required: ['profile', 'file'], properties: { profile: NAME, file: FILE } });
export const SAVE = checker({
  ...base,
  required: ['profile', 'version', 'file'],
  properties: { profile: NAME, version: ID, file: FILE },
});
export const ADD = checker({ ...base, required: ['name', 'file'], properties: { name: NAME, file: FILE } });
export const CALL = checker({
  ...base,
  required: ['profile', 'collection', 'contentType'],
  properties: { profile: ANY, collection: ANY, contentType: ANY },
});
export const ELSEWHERE_HOLDS = checker({ ...base, required: ['holds'], properties: { holds: { type: 'boolean' } } });
