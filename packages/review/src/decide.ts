import type { Verdict } from '@inkwell/core';
import {
  lapseSignOff,
  refreshStatus,
  touchPage,
  writeStandings,
  type Lapse,
  type NewStanding,
  type PlacedPage,
  type StoredFinding,
  type Write,
} from '@inkwell/store';
import { dayIn, type Services } from './services.ts';

export interface Decision {
  by: string;
  /** In the history, beside each standing. */
  because: string;
  /** What a sign-off lapses by. */
  lapse: Lapse['because'];
}

/** A finding as it stands, to be changed in part. */
export function standingOf(
  finding: Pick<StoredFinding, 'id' | 'standing' | 'ruled' | 'exceptedUntil'>,
  change: Partial<Omit<NewStanding, 'id'>>,
): NewStanding {
  return { id: finding.id, standing: finding.standing, ruled: finding.ruled, excepted_until: finding.exceptedUntil, ...change };
}

/**
 * The one door for decisions: standings, their history, the sign-off that rested on them, the page's version and its status row, in as
 * many statements whatever their number. The page is locked by the caller. Gives the page's new version and
 * what the gate says of it now.
 */
export async function decide(
  trx: Write,
  page: PlacedPage,
  services: Pick<Services, 'now'>,
  changes: readonly NewStanding[],
  decision: Decision,
): Promise<{ version: number; verdict: Verdict }> {
  const version = await touchPage(trx, page.id);
  await writeStandings(trx, { pageId: page.id, revision: page.head, version, by: decision.by, because: decision.because }, changes);
  await lapseSignOff(trx, page.id, { by: decision.by, because: decision.lapse, revision: page.head, finding: changes[0]?.id ?? null });
  const today = dayIn(page.time_zone, services.now());
  const [status] = await refreshStatus(trx, [page.id], today, { by: decision.by, because: decision.lapse });
  return { version, verdict: status!.verdict };
}
