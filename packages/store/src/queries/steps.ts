import { sql } from 'kysely';
import type { StepId } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { FAMILIES } from './status.ts';
import type { Family } from '@inkwell/core';

/** That somebody looked at a step of a page, and at which revision. */
export interface Looked {
  step: StepId;
  person: string;
  by: string;
  revision: number;
  at: string;
}

const LOOKED = sql`coalesce((select jsonb_agg(jsonb_build_object('step', l.step, 'person', l.person_id, 'by', u.name, 'revision', l.revision,
  'at', l.at) order by l.at) from looked_at l join people u on u.id = l.person_id where l.page_id = p.id), '[]')`;

/** What was looked at on a page, and by whom. */
export async function lookedAtOn(db: Database | Write, pageId: number): Promise<Looked[]> {
  const { rows } = await sql<{ looked: Looked[] }>`select ${LOOKED} as looked from pages p where p.id = ${pageId}`.execute(db);
  return rows[0]?.looked ?? [];
}

/** Says that a person looked at a step of a page as it is now, or has not. */
export async function setLookedAt(
  trx: Write,
  of: { page: number; step: StepId; person: string; revision: number },
  looked: boolean,
): Promise<void> {
  if (looked)
    await sql`insert into looked_at (page_id, step, person_id, revision) values (${of.page}, ${of.step}, ${of.person}, ${of.revision})
      on conflict (page_id, step, person_id) do update set revision = excluded.revision, at = now()`.execute(trx);
  else await sql`delete from looked_at where page_id = ${of.page} and step = ${of.step} and person_id = ${of.person}`.execute(trx);
}

export interface WalkLine {
  id: number;
  slug: string;
  title: string;
  position: number;
  head: number;
  open: Partial<Record<Family, number>>;
  looked: Looked[];
}

/** Pages of a collection in its order, behind one of them, with what stands open and what was looked at. */
export async function walkLines(
  db: Database | Write,
  collectionId: number,
  after: readonly [number, number] | null,
  limit: number,
): Promise<WalkLine[]> {
  const from = after ? sql`and (p.position, p.id) > (${after[0]}, ${after[1]})` : sql``;
  const { rows } = await sql<Omit<WalkLine, 'open'> & { families: number[] }>`select p.id, p.slug, p.title, p.position, p.head, s.families,
      ${LOOKED} as looked
    from page_status s join pages p on p.id = s.page_id where s.collection_id = ${collectionId} ${from}
    order by p.position, p.id limit ${limit}`.execute(db);
  return rows.map(({ families, ...line }) => ({
    ...line,
    open: Object.fromEntries(FAMILIES.flatMap((family, nth) => (families[nth]! > 0 ? [[family, families[nth]!]] : []))),
  }));
}

export interface StepSum {
  step: StepId;
  /** Pages looked at as they are now, by anybody. */
  looked: number;
  /** The first page that a person has not looked at as it is now. */
  next: string | null;
}

/** How far the walk through a collection is, for each step. */
export async function stepSums(db: Database | Write, collectionId: number, person: string, steps: readonly StepId[]): Promise<StepSum[]> {
  const { rows } = await sql<StepSum>`select w.step,
      (select count(distinct l.page_id)::integer from looked_at l join pages p on p.id = l.page_id and p.head = l.revision
        join page_status s on s.page_id = p.id where s.collection_id = ${collectionId} and l.step = w.step) as looked,
      (select p.slug from page_status s join pages p on p.id = s.page_id where s.collection_id = ${collectionId} and not exists (
        select 1 from looked_at l where l.page_id = p.id and l.step = w.step and l.person_id = ${person} and l.revision = p.head)
        order by p.position, p.id limit 1) as next
    from unnest(${steps}::text[]) with ordinality w (step, nth) order by w.nth`.execute(db);
  return rows;
}
