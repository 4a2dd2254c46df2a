import robotsParser from 'robots-parser';
import { AGENT, fetchAddress, NotFetched, type FetchBounds } from './fetcher.ts';
import type { HostPolicy } from './hosts.ts';

/** What a host's robots.txt asks of us (RFC 9309). */
export interface Robots {
  allows(url: URL): boolean;
  /** Why it does not allow an address, as the end of a sentence. */
  why: string;
  /** Milliseconds it wants between two requests. */
  delay: number;
}

/** Longest robots.txt that is read, in bytes (RFC 9309, 2.5). */
const LONGEST = 512_000;
/** Longest wait between two requests that we keep; a host that wants more is visited by nobody who waits. */
const LONGEST_DELAY = 5_000;

const WHY = 'is not for visitors like this one (robots.txt)';
const EVERYTHING: Robots = { allows: () => true, why: WHY, delay: 0 };
/** Of a host that could not say: the reason is why it could not. */
const nothing = (reason: string): Robots => ({ allows: () => false, why: `lies on a host whose robots.txt ${reason}`, delay: 0 });

/** Reads a host's robots.txt. One that is not there allows everything; a host that cannot say forbids all (RFC 9309, 2.3.1). */
export async function robotsOf(policy: HostPolicy, url: URL, bounds: FetchBounds): Promise<Robots> {
  const address = new URL('/robots.txt', url);
  try {
    const { bytes } = await fetchAddress(policy, address, { ...bounds, most: LONGEST });
    const robots = robotsParser(address.href, bytes.toString('utf8'));
    const seconds = robots.getCrawlDelay(AGENT) ?? 0;
    return { allows: ({ href }) => robots.isAllowed(href, AGENT) ?? true, why: WHY, delay: Math.min(LONGEST_DELAY, seconds * 1_000) };
  } catch (error) {
    if (!(error instanceof NotFetched)) throw error;
    return /^answers 4\d\d$/.test(error.message) ? EVERYTHING : nothing(error.message);
  }
}
