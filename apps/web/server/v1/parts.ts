import 'server-only';
import type { Result } from '@inkwell/review';
import { cursorFrom } from './cursors';
import { Trouble, troubleFrom } from './problems';

/** Entries of a list: so many unless said, and at most. */
const USUALLY = 100;
const AT_MOST = 500;

export const json = (value: unknown, headers: Readonly<Record<string, string>> = {}) => Response.json(value, { headers });

/** What a use-case gave; what it refused is a problem. */
export function valueOf<T>(result: Result<T>): T {
  if (!result.ok) throw troubleFrom(result.problem);
  return result.value;
}

/** What a list is asked for: how many, behind what. */
export function span(search: URLSearchParams, of: string, filters: readonly string[] = []): { limit: number; after: string | null } {
  for (const name of search.keys())
    if (name !== 'limit' && name !== 'cursor' && !filters.includes(name))
      throw new Trouble('shape', { errors: [{ pointer: `?${name}`, detail: 'There is no such filter here.' }] });
  const limit = search.get('limit');
  if (limit !== null && !/^[1-9]\d{0,2}$/.test(limit)) throw wrong('limit', `is no number from 1 to ${AT_MOST}`);
  const cursor = search.get('cursor');
  const after = cursor === null ? null : cursorFrom(of, cursor);
  if (cursor !== null && after === null) throw wrong('cursor', 'was not given by this list');
  if (Number(limit ?? USUALLY) > AT_MOST) throw wrong('limit', `is more than ${AT_MOST}`);
  return { limit: Number(limit ?? USUALLY), after };
}

export const wrong = (name: string, detail: string) => new Trouble('shape', { errors: [{ pointer: `?${name}`, detail }] });

export const numberOf = (text: string) => (/^[1-9]\d{0,8}$/.test(text) ? Number(text) : 0);
