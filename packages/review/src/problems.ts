import type { Standing } from '@inkwell/store';

/** An expected failure, in words for the person who meets it. */
export interface Problem {
  code:
    | 'conflict'
    | 'declined'
    | 'not-allowed'
    | 'not-found'
    | 'nothing-to-do'
    | 'bad-page'
    | 'bad-request'
    | 'too-large'
    | 'held'
    | 'duplicate'
    | 'signed-out'
    | 'too-many'
    | 'away'
    | 'fault';
  /** What happened. */
  what: string;
  /** Why. */
  why?: string;
  /** What was kept. */
  kept?: string;
  /** What to do next. */
  next?: string;
  /** On a conflict of texts: what stands there now, and the text that both began at where that is known. */
  theirs?: { revision: number; version: number; html: string; by: string; at: string; base?: string | undefined };
  /** On a conflict of decisions: what was decided meanwhile. */
  decided?: { finding: number; standing: Standing; by: string; at: string }[];
}

export type Result<T> = { ok: true; value: T } | { ok: false; problem: Problem };
export type Refusal = { ok: false; problem: Problem };

export const done = <T>(value: T): Result<T> => ({ ok: true, value });
export const refused = (problem: Problem): Refusal => ({ ok: false, problem });

export const notFound = (what: string) =>
  refused({
    code: 'not-found',
    what: `${what} is not here`,
    why: 'It may have been renamed or taken out.',
    next: 'Go back to the shelf and look for it there.',
  });
