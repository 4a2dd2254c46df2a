import type { Problem } from '@inkwell/review';

export type Sent<T> = { ok: true; value: T } | { ok: false; problem: Problem };

export const UNREACHED: Problem = {
  code: 'away',
  what: 'The server did not answer',
  why: 'It may have stopped, or the connection to it is gone.',
  kept: 'What you typed stays on this screen and in this browser.',
  next: 'Try again in a moment.',
};

/** Somebody did not wait for the answer: what was asked for may be done all the same. */
export const LEFT: Problem = {
  code: 'away',
  what: 'You did not wait for the answer',
  why: 'The server may still be at work on what you asked for.',
  kept: 'What you typed stays on this screen.',
  next: 'Look at the page as it is now; if it was not done, ask for it again.',
};

/** An answer that is none of ours: something between here and the server gave it, or the server broke off. */
const unreadable = (status: number): Problem => ({
  code: 'fault',
  what: `The server’s answer could not be read (${status})`,
  why: 'It broke off, or came from something that stands before the server.',
  kept: 'What you typed stays on this screen.',
  next: 'Look at the page as it is now, then try again; if it happens again, tell whoever looks after this server.',
});

/** Posts to our own server. Whatever goes wrong comes back as a problem in words, never as an exception. `signal`: somebody leaves off. */
export function send<T>(address: string, body: unknown, signal?: AbortSignal): Promise<Sent<T>> {
  const asked = { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
  return answered(address, { ...asked, ...(signal ? { signal } : {}) });
}

/** Posts a file to our own server, as its very bytes. */
export function sendBytes<T>(address: string, body: Blob): Promise<Sent<T>> {
  return answered(address, { method: 'POST', headers: { 'content-type': 'application/octet-stream' }, body });
}

/** Asks our own server for something that changes nothing. */
export function ask<T>(address: string): Promise<Sent<T>> {
  return answered(address, {});
}

async function answered<T>(address: string, asked: RequestInit): Promise<Sent<T>> {
  let response: Response;
  try {
    response = await fetch(address, asked);
  } catch {
    return { ok: false, problem: asked.signal?.aborted ? LEFT : UNREACHED };
  }
  try {
    return (await response.json()) as Sent<T>;
  } catch {
    return { ok: false, problem: asked.signal?.aborted ? LEFT : unreadable(response.status) };
  }
}
