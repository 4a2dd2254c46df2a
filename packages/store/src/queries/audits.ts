import { sql } from 'kysely';
import type { Moves, RemedyName, Values, RuleTrouble } from '@inkwell/core';
import type { Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';

export interface NewAudit {
  page_id: number;
  revision: number;
  engine: string;
  inputs: string;
  troubles: readonly RuleTrouble[];
  moves: Moves;
}

export async function addAudit(trx: Write, { moves, troubles, ...audit }: NewAudit): Promise<number> {
  const spans = moves.edits.map(({ start, end, text }) => [start, end, text.length]);
  return (
    await trx
      .insertInto('audits')
      .values({ ...audit, moves: JSON.stringify(spans), troubles: JSON.stringify(troubles) })
      .returning('id')
      .executeTakeFirstOrThrow()
  ).id;
}

export interface NewOccurrence {
  /** The finding it is of: its id, or the place of a new one among the new findings. */
  finding_id: number | null;
  fresh: number | null;
  place: number;
  path: string;
  through: string | null;
  start_at: number;
  end_at: number;
  message: string;
  message_values: Values;
  subject: string;
  fingerprint: string;
  remedies: readonly RemedyName[] | null;
}

export interface OtherKind {
  id: number;
  kind_id: number;
  slip: string | null;
  same: string | null;
}

export interface NewFinding {
  kind: number;
  slip: string | null;
  same: string | null;
}

export interface OtherName {
  id: string;
  fingerprint: string;
}

/** What one audit saw, in four statements whatever their number. */
export interface Sightings {
  pageId: number;
  revision: number;
  audit: number;
  /** Occurrences that hold no longer. */
  ended: readonly string[];
  /** Occurrences that hold, of findings that are told apart by another name now. */
  renamed: readonly OtherName[];
  /** Findings that are of another kind than before, weighed otherwise or with another measure, or in another piece. */
  changed: readonly OtherKind[];
  /** Kinds and slips of findings that are new, in order. */
  fresh: readonly NewFinding[];
  /** Occurrences that hold from now on. */
  begun: readonly NewOccurrence[];
}

/** Writes them down; gives the ids of the new findings, in order. */
export async function writeSightings(
  trx: Write,
  { pageId, revision, audit, ended, renamed, changed, fresh, begun }: Sightings,
): Promise<number[]> {
  if (ended.length > 0) await sql`update occurrences set to_audit = ${audit} where id = any(${ended}::bigint[])`.execute(trx);
  if (renamed.length > 0)
    await sql`update occurrences o set fingerprint = rows.fingerprint from ${rowsFrom(renamed, 'id bigint, fingerprint text')}
      where o.id = rows.id`.execute(trx);
  if (changed.length > 0)
    await sql`update findings f set kind_id = rows.kind_id, slip = rows.slip, same = rows.same
      from ${rowsFrom(changed, 'id integer, kind_id integer, slip text, same text')}
      where f.id = rows.id`.execute(trx);
  const ids = fresh.length === 0 ? [] : await addFindings(trx, pageId, revision, fresh);
  if (begun.length > 0) {
    const rows = begun.map((one) => ({ ...one, finding_id: one.finding_id ?? ids[one.fresh!] }));
    await sql`insert into occurrences (finding_id, page_id, place, from_audit, path, through, start_at, end_at, message, message_values,
      subject, fingerprint, remedies)
      select finding_id, ${pageId}::integer, place, ${audit}::integer, path, through, start_at, end_at, message, message_values, subject,
        fingerprint, nullif(remedies, 'null'::jsonb)
      from ${rowsFrom(rows, 'finding_id integer, place integer, path text, through text, start_at integer, end_at integer, message text, message_values jsonb, subject text, fingerprint text, remedies jsonb')}`.execute(
      trx,
    );
  }
  return ids;
}

async function addFindings(trx: Write, pageId: number, revision: number, fresh: readonly NewFinding[]): Promise<number[]> {
  const [kinds, slips, sames] = [fresh.map(({ kind }) => kind), fresh.map(({ slip }) => slip), fresh.map(({ same }) => same)];
  const { rows } = await sql<{ id: number }>`insert into findings (page_id, kind_id, standing, first_revision, slip, same)
    select ${pageId}::integer, kind, 'open', ${revision}::integer, slip, same
    from unnest(${kinds}::integer[], ${slips}::text[], ${sames}::text[]) with ordinality as new (kind, slip, same, nth)
    order by nth returning id`.execute(trx);
  return rows.map((row) => row.id).sort((a, b) => a - b);
}
