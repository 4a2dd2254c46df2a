/** An expected failure, in words for the person who meets it. */
export interface Problem {
  code: 'conflict' | 'declined' | 'not-allowed' | 'not-found' | 'nothing-to-do' | 'bad-page' | 'held' | 'duplicate' | 'away';
  /** What happened. */
  what: string;
  /** Why. */
  why?: string;
  /** What was kept. */
  kept?: string;
  /** What to do next. */
  next?: string;
  /** On a conflict: what stands there now. */
  theirs?: { revision: number; html: string; by: string; at: string };
}

export type Result<T> = { ok: true; value: T } | { ok: false; problem: Problem };

export const done = <T>(value: T): Result<T> => ({ ok: true, value });
export const refused = (problem: Problem): { ok: false; problem: Problem } => ({ ok: false, problem });

export const notFound = (what: string) => refused({ code: 'not-found', what: `${what} is not here`, why: 'It may have been renamed or taken out.', next: 'Go back to the shelf and look for it there.' });
