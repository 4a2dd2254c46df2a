import { statusNow, type PlacedPage, type Release, type Status, type Write } from '@inkwell/store';
import { dayIn, type Services } from './services.ts';

/** What the gate says of a page now. */
export interface GateWord extends Status {
  /** A finding that keeps it from being ready. */
  holder: number | null;
}

/**
 * What holds a page: counted from its findings as they stand, with exceptions judged by today's date in the house's time zone. Sign-off,
 * the check while saving and publication ask here, the first under the page's lock.
 */
export function gate(trx: Write, page: Pick<PlacedPage, 'id' | 'time_zone'>, services: Pick<Services, 'now'>): Promise<GateWord> {
  return statusNow(trx, page.id, dayIn(page.time_zone, services.now()));
}

/** Whether a sign-off is in force. */
export const isSigned = (release: Release): boolean => release === 'signed off' || release === 'published';
