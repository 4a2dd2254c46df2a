import type { IncomingMessage } from 'node:http';
import { answerOf, NotFetched, type FetchBounds } from './fetcher.ts';
import { barredAddress, type HostPolicy } from './hosts.ts';

/** What came of looking whether an address still answers. */
export interface Sighting {
  /**
   * `seen`: it answers. `moved`: it says that it lies elsewhere for good, and answers there. `gone`: it says that nothing lies there
   * (404, 410). `unsure`: anything else; whether readers get there is not known.
   */
  state: 'seen' | 'moved' | 'gone' | 'unsure';
  /** Why it was not seen, as the end of a sentence. */
  words: string | null;
  movedTo: string | null;
  /** Milliseconds for which its host asks to be left alone. */
  wait: number;
}

const MOST_REDIRECTS = 5;
/** Answers that say nothing lies there (RFC 9110, 15.5.5 and 15.5.11). */
const GONE = new Set([404, 410]);
/** Answers that send on for good (RFC 9110, 15.4.2 and 15.4.9). */
const FOR_GOOD = new Set([301, 308]);
/** Longest wait that is granted, in ms. */
const LONGEST_WAIT = 24 * 3_600_000;

const unsure = (words: string, wait = 0): Sighting => ({ state: 'unsure', words, movedTo: null, wait });

/** Looks whether an address answers, without reading what it says: only its head is asked for, where its host can tell that. */
export async function lookAtAddress(policy: HostPolicy, address: URL, bounds: Omit<FetchBounds, 'most'>): Promise<Sighting> {
  try {
    return await followed(policy, address, bounds);
  } catch (error) {
    if (error instanceof NotFetched) return unsure(error.message);
    throw error;
  }
}

async function followed(policy: HostPolicy, address: URL, bounds: Omit<FetchBounds, 'most'>): Promise<Sighting> {
  let [url, forGood] = [address, true];
  for (let nth = 0; nth <= MOST_REDIRECTS; nth++) {
    const barred = barredAddress(policy, url);
    if (barred) return unsure(nth === 0 ? barred : `leads to ${url.href}, which ${barred}`);
    const answer = await headOf(policy, url, bounds);
    const status = answer.statusCode ?? 0;
    const next = status >= 300 && status < 400 ? answer.headers.location : undefined;
    if (next === undefined) return sighting(address, url, forGood, answer);
    if (!URL.canParse(next, url)) return unsure('leads to what is no address');
    forGood &&= FOR_GOOD.has(status);
    url = new URL(next, url);
  }
  return unsure('leads from one address to the next without end');
}

/** The head of an answer. Many hosts answer a question for the head alone as if nothing lay there: those are asked for the whole. */
async function headOf(policy: HostPolicy, url: URL, bounds: Omit<FetchBounds, 'most'>): Promise<IncomingMessage> {
  const head = await answerOf(policy, url, 'HEAD', bounds);
  head.destroy();
  if ((head.statusCode ?? 0) < 400 || head.statusCode === 429) return head;
  const whole = await answerOf(policy, url, 'GET', bounds);
  whole.destroy();
  return whole;
}

function sighting(address: URL, url: URL, forGood: boolean, { statusCode: status = 0, headers }: IncomingMessage): Sighting {
  if (GONE.has(status)) return { state: 'gone', words: `answers ${status}`, movedTo: null, wait: 0 };
  if (status < 200 || status >= 300) return unsure(`answers ${status}`, waitIn(headers['retry-after']));
  // Whatever is no longer there is often sent to the front page.
  if (url.pathname === '/' && url.search === '' && address.pathname !== '/') return unsure('leads to the front page of its host');
  const elsewhere = url.href.split('#')[0] !== address.href.split('#')[0];
  const movedTo = elsewhere && forGood ? movedAddress(address, url) : null;
  return { state: movedTo === null ? 'seen' : 'moved', words: null, movedTo, wait: 0 };
}

/** The place on a page goes with it (RFC 9110, 10.2.2). */
function movedAddress({ hash }: URL, url: URL): string {
  const moved = new URL(url);
  if (moved.hash === '') moved.hash = hash;
  return moved.href;
}

/** Retry-After, as seconds or as a date (RFC 9110, 10.2.3), in ms from now. */
function waitIn(header: string | undefined): number {
  if (header === undefined) return 0;
  const wait = /^\d+$/.test(header) ? Number(header) * 1_000 : Date.parse(header) - Date.now();
  return Number.isFinite(wait) ? Math.min(LONGEST_WAIT, Math.max(0, wait)) : 0;
}
