import { sql, type RawBuilder } from 'kysely';
import type { Verdict } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import type { HostState, PublicationState, Release } from '../schema.ts';
import { OPEN } from './open.ts';

/** Where pages stand before the gate. */
export type GateGroup = 'to sign' | 'to publish' | 'going out' | 'published' | 'lapsed' | 'held' | 'drifted';

const DRIFTED = sql`exists (select 1 from host_pages h where h.page_id = s.page_id and (h.drifted_at is not null or h.state <> 'same'))`;
const WAITS = sql`exists (select 1 from publications w where w.page_id = s.page_id and w.state = 'waiting')`;

const GROUPS: Record<GateGroup, RawBuilder<unknown>> = {
  'to sign': sql`s.verdict = 'ready' and s.release in ('draft', 'lapsed')`,
  'to publish': sql`s.release = 'signed off' and not ${WAITS}`,
  'going out': WAITS,
  published: sql`s.release = 'published'`,
  lapsed: sql`s.release = 'lapsed'`,
  held: sql`s.verdict <> 'ready'`,
  drifted: DRIFTED,
};

export const GATE_GROUPS = Object.keys(GROUPS) as readonly GateGroup[];

export interface GateWish {
  /** Collections to look in: ids, or null for all. */
  collections: readonly number[] | null;
  group: GateGroup;
  /** The place of the last page shown before. */
  after: readonly [number, number, number] | null;
  limit: number;
}

export interface Named {
  name: string;
  at: string;
}

/** A page before the gate. */
export interface GateLine {
  id: number;
  slug: string;
  title: string;
  collectionId: number;
  collection: string;
  collectionTitle: string;
  position: number;
  address: string;
  head: number;
  version: number;
  verdict: Verdict;
  release: Release;
  holding: number;
  questions: number;
  publishedRevision: number | null;
  signOff:
    | (Named & {
        revision: number;
        profile: string;
        version: number;
        lapsedBecause: string | null;
        lapsedBy: string | null;
        lapsedAt: string | null;
      })
    | null;
  /** Who signed the newest revision, while more signatures are wanted. */
  signatures: Named[];
  /** Who worked on it since it last was signed off. */
  fixers: string[];
  looks: (Named & { item: string })[];
  publication: {
    act: 'publish' | 'unpublish';
    state: PublicationState;
    due: string;
    by: string;
    problem: string | null;
    tries: number;
  } | null;
  host: { name: string; state: HostState | null; publicAddress: string | null; driftedAt: string | null } | null;
  /** What holds it: rules, how many of each, and who has them. */
  holders: { rule: string; many: number; outcome: string; people: string[] }[];
}

const at = (column: RawBuilder<unknown>) => sql`to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')`;
const inReach = (collections: readonly number[] | null) =>
  collections === null ? sql`s.collection_id is not null` : sql`s.collection_id = any(${collections}::integer[])`;

/** Pages before the gate, in the order of their collections; one more than asked for when there are more. */
export async function gateLines(db: Database | Write, wish: GateWish, today: string): Promise<GateLine[]> {
  const from = wish.after
    ? sql`and (p.collection_id, p.position, p.id) > (${wish.after[0]}::integer, ${wish.after[1]}::integer, ${wish.after[2]}::integer)`
    : sql``;
  const { rows } = await sql<GateLine>`with here as materialized (
      select p.id, p.slug, p.title, p.collection_id, c.slug as collection, c.title as "collectionTitle", p.position, p.address, p.head,
        p.version, s.verdict, s.release, s.holding, s.questions, s.published_revision, s.bar_id
      from page_status s join pages p on p.id = s.page_id join collections c on c.id = p.collection_id
      where ${inReach(wish.collections)} and c.arrived_at is not null and c.taken_out_at is null and p.gone_at is null
        and ${GROUPS[wish.group]} ${from} order by p.collection_id, p.position, p.id limit ${wish.limit + 1})
    select h.id, h.slug, h.title, h.collection_id as "collectionId", h.collection, h."collectionTitle", h.position, h.address,
      h.head, h.version,
      h.verdict, h.release, h.holding, h.questions, h.published_revision as "publishedRevision",
      (select jsonb_build_object('name', u.name, 'at', ${at(sql`o.signed_at`)}, 'revision', o.revision, 'profile', f.name,
          'version', v.version,
          'lapsedBecause', o.lapsed_because, 'lapsedBy', l.name, 'lapsedAt', ${at(sql`o.lapsed_at`)})
        from sign_offs o join people u on u.id = o.signed_by join profile_versions v on v.id = o.profile_version_id
        join profiles f on f.id = v.profile_id left join people l on l.id = o.lapsed_by
        where o.page_id = h.id order by o.id desc limit 1) as "signOff",
      coalesce((select jsonb_agg(jsonb_build_object('name', u.name, 'at', ${at(sql`g.signed_at`)}) order by g.signed_at)
        from signatures g join people u on u.id = g.signed_by join bars b on b.id = h.bar_id
        where g.page_id = h.id and g.ended_at is null and g.revision = h.head and g.profile_version_id = b.profile_version_id),
        '[]') as signatures,
      coalesce((select jsonb_agg(distinct u.name) from revisions r join people u on u.id = r.made_by
        where r.page_id = h.id and r.cause in ('edited', 'fixed') and r.number > coalesce((select max(o.revision) from sign_offs o
          where o.page_id = h.id and o.revision < h.head), 0)), '[]') as fixers,
      coalesce((select jsonb_agg(jsonb_build_object('item', k.item, 'name', u.name, 'at', ${at(sql`k.looked_at`)}))
        from looks k join people u on u.id = k.looked_by where k.page_id = h.id and k.revision = h.head), '[]') as looks,
      (select jsonb_build_object('act', w.act, 'state', w.state, 'due', ${at(sql`w.due_at`)}, 'by', u.name,
          'problem', w.problem, 'tries', w.tries)
        from publications w join people u on u.id = w.asked_by where w.page_id = h.id order by w.id desc limit 1) as publication,
      (select jsonb_build_object('name', t.name, 'state', g.state, 'publicAddress', g.public_address, 'driftedAt', ${at(sql`g.drifted_at`)})
        from connections n join hosts t on t.id = n.host_id left join host_pages g on g.page_id = h.id
        where n.collection_id = h.collection_id) as host,
      case when h.verdict = 'ready' then '[]'::jsonb else coalesce((select jsonb_agg(to_jsonb(x) order by x.many desc) from (
        select k.rule, case when f.ruled = 'stands' then 'failed' else w.outcome end as outcome, count(*)::integer as many,
          coalesce(jsonb_agg(distinct u.name) filter (where u.id is not null), '[]') as people
        from findings f join kind_weights w on w.bar_id = h.bar_id and w.kind_id = f.kind_id join kinds k on k.id = f.kind_id
        left join assignments a on a.finding_id = f.id and a.ended_at is null left join people u on u.id = a.person_id
        where f.page_id = h.id and ${OPEN(today)} and ((w.holds and (w.outcome = 'failed' or f.ruled = 'stands'))
          or (w.outcome = 'cantTell' and f.ruled is distinct from 'stands'))
        group by 1, 2 order by 3 desc limit 4) x), '[]') end as holders
    from here h order by h.collection_id, h.position, h.id`.execute(db);
  return rows;
}

/** How many pages stand where. */
export async function gateCounts(db: Database | Write, collections: readonly number[] | null): Promise<Record<GateGroup, number>> {
  const each = sql.join(GATE_GROUPS.map((name) => sql`(count(*) filter (where ${GROUPS[name]}))::integer as ${sql.ref(name)}`));
  const { rows } = await sql<Record<GateGroup, number>>`select ${each} from page_status s join collections c on c.id = s.collection_id
    where ${inReach(collections)} and c.arrived_at is not null and c.taken_out_at is null`.execute(db);
  return rows[0]!;
}

/** The pages of a group, whole. */
export async function gatePages(
  db: Database | Write,
  collections: readonly number[] | null,
  group: GateGroup,
  limit: number,
): Promise<number[]> {
  const { rows } = await sql<{ id: number }>`select s.page_id as id from page_status s join collections c on c.id = s.collection_id
    where ${inReach(collections)} and c.arrived_at is not null and c.taken_out_at is null and ${GROUPS[group]} order by 1 limit ${limit}`.execute(
    db,
  );
  return rows.map(({ id }) => id);
}

/** What the house asks before a page is signed off. */
export interface SigningRules {
  signatures: number;
  fixerMaySign: boolean;
  looksNeeded: boolean;
}

export async function signingRules(db: Database | Write): Promise<SigningRules> {
  const row = await db.selectFrom('house').select(['signatures_needed', 'fixer_may_sign', 'looks_needed']).executeTakeFirstOrThrow();
  return { signatures: row.signatures_needed, fixerMaySign: row.fixer_may_sign, looksNeeded: row.looks_needed };
}

export async function setSigningRules(trx: Write, rules: SigningRules): Promise<void> {
  await trx
    .updateTable('house')
    .set({ signatures_needed: rules.signatures, fixer_may_sign: rules.fixerMaySign, looks_needed: rules.looksNeeded })
    .execute();
}

/** Signs a revision, as an audit saw it, once more. Gives who signed just that under this version of the profile by now. */
export async function addSignature(
  trx: Write,
  signature: { page_id: number; revision: number; audit_id: number; profile_version_id: number; signed_by: string },
): Promise<string[]> {
  // One that was given to something else does not stand in the way, and counts no more.
  await sql`update signatures set ended_at = now() where page_id = ${signature.page_id} and ended_at is null
    and (revision, audit_id, profile_version_id) is distinct from
      (${signature.revision}::integer, ${signature.audit_id}::integer, ${signature.profile_version_id}::integer)`.execute(trx);
  await trx
    .insertInto('signatures')
    .values(signature)
    .onConflict((on) => on.doNothing())
    .execute();
  const rows = await trx
    .selectFrom('signatures')
    .select('signed_by')
    .where('page_id', '=', signature.page_id)
    .where('ended_at', 'is', null)
    .execute();
  return rows.map((row) => row.signed_by);
}

/** Who worked on a page since it last was signed off: ids. */
export async function fixersOf(trx: Write, page: number, head: number): Promise<string[]> {
  const { rows } = await sql<{
    id: string;
  }>`select distinct made_by as id from revisions where page_id = ${page} and cause in ('edited', 'fixed')
    and number > coalesce((select max(revision) from sign_offs where page_id = ${page} and revision < ${head}), 0)`.execute(trx);
  return rows.map(({ id }) => id);
}

/** Notes, or takes back, that somebody looked at something on a revision. */
export async function noteLook(
  trx: Write,
  look: { page_id: number; revision: number; item: string; looked_by: string },
  isDone: boolean,
): Promise<void> {
  if (isDone)
    await trx
      .insertInto('looks')
      .values(look)
      .onConflict((on) => on.doNothing())
      .execute();
  else
    await trx
      .deleteFrom('looks')
      .where('page_id', '=', look.page_id)
      .where('revision', '=', look.revision)
      .where('item', '=', look.item)
      .execute();
}

export async function looksOn(db: Database | Write, page: number, revision: number): Promise<string[]> {
  const rows = await db.selectFrom('looks').select('item').where('page_id', '=', page).where('revision', '=', revision).execute();
  return rows.map((row) => row.item);
}

/** A page as far as it matters whether it may be signed or published. */
export interface PageForGate {
  id: number;
  title: string;
  head: number;
  version: number;
  verdict: Verdict;
  release: Release;
  /** The revision of the sign-off in force. */
  signed: number | null;
  publicAddress: string | null;
  host: boolean;
  remote: string | null;
  state: HostState | null;
}

/** Those of some pages that lie in some collections (null: wherever), in order. */
export async function pagesForGate(
  db: Database | Write,
  pages: readonly number[],
  collections: readonly number[] | null,
): Promise<PageForGate[]> {
  const { rows } = await sql<PageForGate>`select p.id, p.title, p.head, p.version, s.verdict, s.release,
      (select max(o.revision) from sign_offs o where o.page_id = p.id and o.lapsed_at is null) as signed,
      h.public_address as "publicAddress", n.collection_id is not null as host, h.remote, h.state
    from pages p join page_status s on s.page_id = p.id left join connections n on n.collection_id = p.collection_id
    left join host_pages h on h.page_id = p.id
    where p.id = any(${pages}::integer[]) and p.gone_at is null and ${inReach(collections)} order by p.position, p.id`.execute(db);
  return rows;
}

/** The revision whose sign-off is in force. */
export async function signedRevision(db: Database | Write, page: number): Promise<number | null> {
  const row = await db
    .selectFrom('sign_offs')
    .select('revision')
    .where('page_id', '=', page)
    .where('lapsed_at', 'is', null)
    .executeTakeFirst();
  return row?.revision ?? null;
}
