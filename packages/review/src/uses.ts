import { thingOf, type UseRow } from '@inkwell/core';
import { countUses, house, writeUses, writing, type PlacedPage, type Write } from '@inkwell/store';
import { dayIn, type Services } from './services.ts';

/** Keeps what the registers hold of a page. `ids`: of the findings its audit saw, in order. A page that has gone is in none. */
export async function recordUses(
  trx: Write,
  { db }: Pick<Services, 'db'>,
  page: PlacedPage,
  uses: readonly UseRow[],
  ids: readonly number[],
): Promise<void> {
  const told = new Set<string>();
  const rows = uses.map(({ findings, ...use }) => {
    const thing = `${use.register}\n${thingOf(use)}`;
    const lead = told.has(thing) ? 0 : 1;
    told.add(thing);
    return { ...use, lead, findings: findings.map((nth) => ids[nth]!) };
  });
  await writeUses(trx, db, page, page.gone_at === null ? rows : []);
}

/** A job: counts anew what stands open on what pages use, once the bars they are held to ask for something else. */
export async function countUsesAgain(services: Services, wish: { pages: readonly number[] }): Promise<void> {
  const today = dayIn((await house(services.db)).timeZone, services.now());
  await writing(services.db, (trx) => countUses(trx, wish.pages, today));
}
