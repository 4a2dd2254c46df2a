import { createHash } from 'node:crypto';
import { sql } from 'kysely';
import { FAMILY_OF, REGISTERS, RULES, type RegisterName, type UseRow } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import { OPEN } from './open.ts';

export const registerNumber = (register: RegisterName) => REGISTERS.indexOf(register);

/** The rules whose findings a register tells, each by its bit in `troubles`. */
export const TROUBLES = Object.fromEntries(
  REGISTERS.map((register) => [register, RULES.filter(({ id }) => id.startsWith(`${FAMILY_OF[register]}/`)).map(({ id }) => id)]),
) as Record<RegisterName, string[]>;

const told = Object.values(TROUBLES).flatMap((rules) => rules.map((rule, bit) => ({ rule, bit })));
const RULES_TOLD = told.map(({ rule }) => rule);
const BITS = told.map(({ bit }) => bit);

/** A use of a thing as a page has it, ready to be written. */
export interface NewUse extends Omit<UseRow, 'findings'> {
  /** 1 on one row of each thing of a page, else 0: they count its pages. */
  lead: number;
  findings: readonly number[];
}

const md5 = (text: string) => createHash('md5').update(text).digest('hex');

/** Names a thing of a collection. */
export function thingId(collectionId: number, register: RegisterName, name: string, place: string): string {
  const hex = md5([collectionId, registerNumber(register), name, place].join('\n'));
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}

/** What a use says, as a number of 60 bits; a heading's level is its own. */
function saidBy({ register, says }: NewUse): string {
  if (register === 'headings') return String(Number(says) || 0);
  return says === null ? '-1' : String(BigInt(`0x${md5(says).slice(0, 15)}`));
}

/** Writes what a page uses in place of what it did: only what differs is touched. */
export async function writeUses(
  trx: Write,
  db: Database,
  page: { id: number; collection_id: number },
  uses: readonly NewUse[],
): Promise<void> {
  const sums = new Map(uses.map((use) => [md5(JSON.stringify(use)), use]));
  // What was there is told as it was before this very statement took some of it out.
  const { rows } = await sql<{ sum: string }>`with gone as (delete from uses where page_id = ${page.id}
      and sum <> all(${[...sums.keys()]}::uuid[]))
    select replace(sum::text, '-', '') as sum from uses where page_id = ${page.id}`.execute(trx);
  const before = new Set(rows.map(({ sum }) => sum));
  const come = [...sums].filter(([sum]) => !before.has(sum));
  if (come.length === 0) return;
  const written = come.map(([sum, { register, name, place, findings, ...use }]) => ({
    ...use,
    sum,
    register: registerNumber(register),
    thing_id: thingId(page.collection_id, register, name, place),
    said: saidBy({ register, name, place, findings, ...use }),
    findings: `{${findings.join()}}`,
    name,
    place,
  }));
  // By themselves, so that pages that share a thing do not wait for each other.
  const things = [...new Map(written.map(({ thing_id: id, register, name, place }) => [id, { id, register, name, place }])).values()];
  await sql`insert into things (id, collection_id, register, name, place)
    select id, ${page.collection_id}::integer, register, name, place from ${rowsFrom(things, 'id uuid, register smallint, name text, place text')}
    order by id on conflict do nothing`.execute(db);
  const columns =
    'sum uuid, register smallint, thing_id uuid, many integer, lead smallint, said bigint, traits integer, says text, facts jsonb, findings text';
  await sql`insert into uses (page_id, sum, collection_id, register, thing_id, many, lead, said, traits, says, facts, findings)
    select ${page.id}::integer, sum, ${page.collection_id}::integer, register, thing_id, many, lead, said, traits, says, facts,
      findings::integer[] from ${rowsFrom(written, columns)}`.execute(trx);
}

/** Counts anew what stands open on the uses of pages, as the bars they are held to ask for it. */
export async function countUses(trx: Write, pages: readonly number[], today: string): Promise<void> {
  // Each use looks its few findings up: a plan for all of them at once goes by guesses at how many there are.
  await sql`update uses u set troubles = now.troubles, open = now.open, asks = now.asks
    from (select v.page_id, v.sum, coalesce(found.troubles, 0) as troubles, coalesce(found.open, 0) as open, coalesce(found.asks, 0) as asks
      from page_status s join uses v on v.page_id = s.page_id left join lateral (
        select bit_or(1::bigint << (${BITS}::integer[])[array_position(${RULES_TOLD}::text[], k.rule)]) as troubles,
          (count(*) filter (where w.outcome = 'failed' or f.ruled = 'stands'))::integer as open,
          (count(*) filter (where w.outcome = 'cantTell' and f.ruled is distinct from 'stands'))::integer as asks
        from findings f join kinds k on k.id = f.kind_id join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
        where f.id = any(v.findings) and ${OPEN(today)}) found on v.findings <> '{}'
      where s.page_id = any(${pages}::integer[])) now
    where u.page_id = now.page_id and u.sum = now.sum and (u.troubles, u.open, u.asks) is distinct from (now.troubles, now.open, now.asks)`.execute(
    trx,
  );
}
