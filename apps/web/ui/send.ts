import type { Problem } from '@inkwell/review';

export type Sent<T> = { ok: true; value: T } | { ok: false; problem: Problem };

export const UNREACHED: Problem = {
  code: 'away',
  what: 'The server did not answer',
  why: 'It may have stopped, or the connection to it is gone.',
  kept: 'What you typed stays on this screen and in this browser.',
  next: 'Try again in a moment.',
};

/** Posts to our own server. Whatever goes wrong comes back as a problem in words, never as an exception. */
export async function send<T>(address: string, body: unknown): Promise<Sent<T>> {
  try {
    const response = await fetch(address, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
    return (await response.json()) as Sent<T>;
  } catch {
    return { ok: false, problem: UNREACHED };
  }
}

/** Asks our own server for something that changes nothing. */
export async function ask<T>(address: string): Promise<Sent<T>> {
  try {
    return (await (await fetch(address)).json()) as Sent<T>;
  } catch {
    return { ok: false, problem: UNREACHED };
  }
}
