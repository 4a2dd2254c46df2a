import { sql, type RawBuilder } from 'kysely';
import type { Family, FindingOutcome, Verdict, Weight } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import type { Release } from '../schema.ts';
import type { Collection } from './collections.ts';
import { OPEN } from './open.ts';
import { endSignatures, type Lapse } from './pages.ts';
import { closestBar } from './profiles.ts';
import { countUses } from './uses.ts';

/** Families in the order of `page_status.families`. */
export const FAMILIES: readonly Family[] = [
  'headings',
  'images',
  'links',
  'lists',
  'tables',
  'colour',
  'text',
  'media',
  'document',
  'forms',
  'structure',
];

const OPEN_BY_FAMILY = sql.join(
  FAMILIES.map((family) => sql`coalesce(sum(many) filter (where state = 'open' and family = ${sql.lit(family)}), 0)::integer`),
);

/**
 * What stands open on pages, counted from their findings under the bars they are held to: rows of `sums`. `chosen` gives page_id and
 * bar_id of each page. A question that was answered "stands" is one no more: it counts as a failure.
 */
function counting(chosen: RawBuilder<unknown>, today: string): RawBuilder<unknown> {
  return sql`with chosen as materialized (${chosen}),
    tallied as (
      select f.page_id, chosen.bar_id, f.kind_id, coalesce(f.ruled = 'stands', false) as affirmed,
        case f.standing when 'fixed' then 'fixed' when 'elsewhere' then 'elsewhere' else 'open' end as state, count(*)::integer as many
      from chosen join findings f on f.page_id = chosen.page_id where ${OPEN(today)} or f.standing in ('fixed', 'elsewhere') group by 1,
        2, 3, 4, 5),
    told as (
      select t.page_id, k.family, w.weight, case when t.affirmed then 'failed' else w.outcome end as outcome, w.holds, t.state,
        sum(t.many)::integer as many
      from tallied t join kind_weights w on w.bar_id = t.bar_id and w.kind_id = t.kind_id join kinds k on k.id = t.kind_id group by 1, 2,
        3, 4, 5, 6),
    sums as (
      select chosen.page_id, chosen.bar_id,
        coalesce(jsonb_agg(jsonb_build_array(family, weight, outcome, many) order by family, weight,
          outcome) filter (where state = 'open'), '[]') as counts,
        array[${OPEN_BY_FAMILY}] as families,
        coalesce(sum(many) filter (where state = 'open' and outcome = 'failed' and weight = 'must'), 0)::integer as must,
        coalesce(sum(many) filter (where state = 'open' and outcome = 'failed' and weight = 'should'), 0)::integer as should,
        coalesce(sum(many) filter (where state = 'open' and outcome = 'failed' and weight = 'consider'), 0)::integer as consider,
        coalesce(sum(many) filter (where state = 'open' and outcome = 'cantTell'), 0)::integer as questions,
        coalesce(sum(many) filter (where outcome = 'failed' and holds and (state = 'open' or (state = 'elsewhere'
          and house.elsewhere_holds))), 0)::integer as holding,
        coalesce(sum(many) filter (where state = 'elsewhere'), 0)::integer as elsewhere,
        coalesce(sum(many) filter (where state = 'fixed'), 0)::integer as fixed
      from house cross join chosen left join told on told.page_id = chosen.page_id group by chosen.page_id, chosen.bar_id)`;
}

const VERDICT = sql<Verdict>`case when sums.holding > 0 then 'held' when sums.questions > 0 and bars.questions_hold then 'judge'
  else 'ready' end`;

/** A finding that keeps a page from being ready, or else a question: of a status row `s`. */
const holderOn = (today: string) => sql`(select f.id from findings f join kind_weights w on w.bar_id = s.bar_id and w.kind_id = f.kind_id
  where f.page_id = s.page_id and ${OPEN(today)}
  order by not (w.holds and (w.outcome = 'failed' or f.ruled = 'stands')), w.outcome, f.id limit 1)`;

/**
 * Counts pages anew and writes their status rows, release and last day among them. Whatever the cause, no sign-off outlives what it rests
 * on: those of another text, or of a page that is not ready any more, end here, and so do signatures. `chosen` as in `counting`.
 */
async function writeStatus(trx: Write, chosen: RawBuilder<unknown>, today: string, cause: LapseCause): Promise<Written[]> {
  const written = await writeRows(trx, chosen, today);
  const unsound = written.filter((row) => row.unsound).map((row) => row.page_id);
  if (unsound.length === 0) return written;
  await endSignatures(trx, sql`select unnest(${unsound}::integer[])`);
  const { rows: lapsed } = await sql<{ page_id: number }>`update sign_offs o set lapsed_at = now(), lapsed_by = ${cause.by},
      lapsed_because = case when o.revision <> p.head then 'text' else ${cause.because} end, lapsed_revision = p.head,
      lapsed_finding = case when o.revision <> p.head then null else ${holderOn(today)} end
    from page_status s join pages p on p.id = s.page_id
    where o.page_id = s.page_id and o.lapsed_at is null and s.page_id = any(${unsound}::integer[]) returning o.page_id`.execute(trx);
  if (lapsed.length === 0) return written;
  const ended = new Set(lapsed.map((row) => row.page_id));
  await sql`update page_status set release = 'lapsed' where page_id = any(${[...ended]}::integer[])`.execute(trx);
  return written.map((row) => (ended.has(row.page_id) ? { ...row, release: 'lapsed' as const, lapsed: true } : row));
}

async function writeRows(trx: Write, chosen: RawBuilder<unknown>, today: string): Promise<(Written & { unsound: boolean })[]> {
  const { rows } = await sql<Written & { unsound: boolean }>`${counting(chosen, today)},
    ends as (select f.page_id, min(f.excepted_until) as day from chosen join findings f on f.page_id = chosen.page_id
      where f.standing = 'excepted' group by f.page_id),
    signed as (select o.page_id, bool_or(o.lapsed_at is null) as in_force, max(o.revision) filter (where o.lapsed_at is null) as revision
      from chosen join sign_offs o on o.page_id = chosen.page_id group by o.page_id)
    update page_status s set bar_id = sums.bar_id, must = sums.must, should = sums.should, consider = sums.consider,
      questions = sums.questions, holding = sums.holding,
      elsewhere = sums.elsewhere, fixed = sums.fixed, counts = sums.counts, families = sums.families, verdict = ${VERDICT},
      valid_until = ends.day, release = case when signed.in_force and s.published_revision = signed.revision then 'published'
        when signed.in_force then 'signed off' when signed.in_force is not null then 'lapsed' else 'draft' end
    from sums join bars on bars.id = sums.bar_id join pages p on p.id = sums.page_id left join ends on ends.page_id = sums.page_id left
      join signed on signed.page_id = sums.page_id
    where s.page_id = sums.page_id returning s.page_id, s.verdict, s.release, false as lapsed,
      (s.verdict <> 'ready' or signed.revision <> p.head) and (coalesce(signed.in_force, false) or exists (select 1 from signatures g
        where g.page_id = s.page_id and g.ended_at is null)) as unsound`.execute(trx);
  return rows;
}

/** By whom and by what a sign-off ends when its page, counted anew, is not what was signed any more. */
export interface LapseCause {
  by: string;
  because: Lapse['because'];
}

export interface Written {
  page_id: number;
  verdict: Verdict;
  release: Release;
  /** Whether its sign-off ended by this. */
  lapsed: boolean;
}

/** Counts some pages anew, and what stands open on all they use. */
export async function refreshStatus(trx: Write, pages: readonly number[], today: string, cause: LapseCause): Promise<Written[]> {
  await countUses(trx, pages, today);
  return writeStatus(trx, sql`select page_id, bar_id from page_status where page_id = any(${pages}::integer[])`, today, cause);
}

/**
 * Moves the pages that were held to an older version of a profile to the bars of a newer one, and counts them anew, in one statement.
 * Gives how many, and how many sign-offs ended.
 */
export async function moveToBars(trx: Write, profileId: number, today: string, by: string): Promise<Counted> {
  // Half a million findings are counted in memory rather than on disk.
  await sql`set local work_mem = '64MB'`.execute(trx);
  const moved = await writeStatus(
    trx,
    sql`select s.page_id, ${closestBar(sql`held.collection_id`, sql`held.content_type`)} as bar_id from page_status s
      join pages held on held.id = s.page_id join bars old on old.id = s.bar_id
      join profile_versions v on v.id = old.profile_version_id where v.profile_id = ${profileId}`,
    today,
    { by, because: 'standard' },
  );
  return countedOf(moved);
}

/** How many pages were counted anew, and how many sign-offs ended by it. */
export interface Counted {
  pages: number;
  lapsed: number;
}

const countedOf = (written: readonly Written[]): Counted => ({
  pages: written.length,
  lapsed: written.filter((row) => row.lapsed).length,
});

/** What pages come to: verdicts, open findings by weight, questions. */
export interface Tally {
  held: number;
  judge: number;
  ready: number;
  must: number;
  should: number;
  consider: number;
  questions: number;
}

/** What another version of a profile would make of the pages held to it. */
export interface Effect {
  pages: number;
  before: Tally;
  after: Tally;
  /** Ready pages that would be held, held ones that would not be any more, and sign-offs under which the gate would say no. */
  newlyHeld: number;
  freed: number;
  lapsing: number;
  /** Pages that would stand otherwise, whose sign-offs would lapse first; the first of them, and how many there are. */
  moved: MovedPage[];
  movedMany: number;
}

/** How a page would stand under another version of its profile. */
export interface MovedPage {
  slug: string;
  title: string;
  collection: string;
  collectionTitle: string;
  before: Verdict;
  after: Verdict;
  /** Whether its sign-off would lapse. */
  lapses: boolean;
  /** How much more would be open on it. */
  more: number;
}

/** Pages told that would stand otherwise. */
const MOST_MOVED = 300;

const TALLY = (of: string) => {
  const [verdict, column] = [sql.ref(`${of}.verdict`), (name: string) => sql`coalesce(sum(${sql.ref(`${of}.${name}`)}), 0)::integer`];
  const many = (which: Verdict) => sql`(count(*) filter (where ${verdict} = ${which}))::integer`;
  return sql`json_build_object('held', ${many('held')}, 'judge', ${many('judge')}, 'ready', ${many('ready')}, 'must', ${column('must')},
    'should', ${column('should')}, 'consider', ${column('consider')}, 'questions', ${column('questions')})`;
};

/** What the newest version of a profile, written in this transaction, makes of its pages; nothing of them is written. */
export async function effectOf(trx: Write, profileId: number, today: string): Promise<Effect> {
  await sql`set local work_mem = '64MB'`.execute(trx);
  const chosen = sql`select s.page_id, ${closestBar(sql`held.collection_id`, sql`held.content_type`)} as bar_id from page_status s
    join pages held on held.id = s.page_id join bars old on old.id = s.bar_id
    join profile_versions v on v.id = old.profile_version_id where v.profile_id = ${profileId} and s.collection_id is not null`;
  const { rows } = await sql<Effect>`${counting(chosen, today)},
    after as (select sums.page_id, sums.must, sums.should, sums.consider, sums.questions, ${VERDICT} as verdict
      from sums join bars on bars.id = sums.bar_id),
    moved as materialized (select s.page_id, s.verdict as before, after.verdict as after,
        s.release in ('signed off', 'published') and after.verdict <> 'ready' as lapses,
        after.must + after.should + after.consider + after.questions - s.must - s.should - s.consider - s.questions as more
      from after join page_status s on s.page_id = after.page_id where s.verdict <> after.verdict
        or (s.release in ('signed off', 'published') and after.verdict <> 'ready'))
    select count(*)::integer as pages, ${TALLY('s')} as before, ${TALLY('after')} as after,
      (count(*) filter (where s.verdict = 'ready' and after.verdict = 'held'))::integer as "newlyHeld",
      (count(*) filter (where s.verdict = 'held' and after.verdict <> 'held'))::integer as freed,
      (count(*) filter (where s.release in ('signed off', 'published') and after.verdict <> 'ready'))::integer as lapsing,
      (select count(*)::integer from moved) as "movedMany",
      (select coalesce(jsonb_agg(jsonb_build_object('slug', p.slug, 'title', p.title, 'collection', c.slug, 'collectionTitle', c.title,
          'before', m.before, 'after', m.after, 'lapses', m.lapses, 'more', m.more) order by m.lapses desc, m.more desc, p.id), '[]')
        from (select * from moved order by lapses desc, more desc, page_id limit ${MOST_MOVED}) m join pages p on p.id = m.page_id
        join collections c on c.id = p.collection_id) as moved
    from after join page_status s on s.page_id = after.page_id`.execute(trx);
  return rows[0]!;
}

/** Holds every page to the bar that is closest to it now, and counts those anew that had another. Gives the bars they moved to. */
export async function holdAnew(trx: Write, today: string, by: string): Promise<{ pages: number; versions: number[] }> {
  await sql`set local work_mem = '64MB'`.execute(trx);
  const closest = sql`select s.page_id, s.bar_id as old, ${closestBar(sql`held.collection_id`, sql`held.content_type`)} as bar_id
    from page_status s join pages held on held.id = s.page_id`;
  const moved = await writeStatus(trx, sql`select page_id, bar_id from (${closest}) c where c.old <> c.bar_id`, today, {
    by,
    because: 'standard',
  });
  const { rows } = await sql<{ id: number }>`select distinct b.profile_version_id as id from page_status s join bars b on b.id = s.bar_id
    where s.page_id = any(${moved.map((page) => page.page_id)}::integer[])`.execute(trx);
  return { pages: moved.length, versions: rows.map((row) => row.id) };
}

/** Counts those pages anew on which something is for others to fix. */
export async function countElsewhere(trx: Write, today: string, by: string): Promise<Counted> {
  await sql`set local work_mem = '64MB'`.execute(trx);
  const counted = await writeStatus(trx, sql`select page_id, bar_id from page_status where elsewhere > 0`, today, {
    by,
    because: 'standard',
  });
  return countedOf(counted);
}

/** Pages that are held to a version of a profile, the newest first. */
export async function pagesUnder(db: Database | Write, profileVersion: number): Promise<number[]> {
  const rows = await db
    .selectFrom('page_status')
    .innerJoin('bars', 'bars.id', 'page_status.bar_id')
    .select('page_id')
    .where('bars.profile_version_id', '=', profileVersion)
    .orderBy('page_id', 'desc')
    .execute();
  return rows.map((row) => row.page_id);
}

export interface Status {
  must: number;
  should: number;
  consider: number;
  questions: number;
  holding: number;
  elsewhere: number;
  fixed: number;
  counts: [Family, Weight, FindingOutcome, number][];
  verdict: Verdict;
  release: Release;
}

/**
 * A page's state on a day, counted from its findings and not from its row: what the gate says. A finding that holds it is named, or
 * else a question.
 */
export async function statusNow(db: Database | Write, pageId: number, today: string): Promise<Status & { holder: number | null }> {
  const { rows } = await sql<
    Status & { holder: number | null }
  >`${counting(sql`select page_id, bar_id from page_status where page_id = ${pageId}`, today)}
    select sums.must, sums.should, sums.consider, sums.questions, sums.holding, sums.elsewhere, sums.fixed, sums.counts,
      ${VERDICT} as verdict,
      case when o.in_force and here.valid_until < ${today}::date then 'lapsed'
        when o.in_force and here.published_revision = o.revision then 'published' when o.in_force then 'signed off'
        when o.in_force is not null then 'lapsed' else 'draft' end as release,
      (select f.id from findings f join kind_weights w on w.bar_id = here.bar_id and w.kind_id = f.kind_id where f.page_id = ${pageId}
        and ${OPEN(today)}
        order by not (w.holds and (w.outcome = 'failed' or f.ruled = 'stands')), w.outcome, f.id limit 1) as holder
    from sums join page_status here on here.page_id = sums.page_id join bars on bars.id = sums.bar_id
    left join (select page_id, bool_or(lapsed_at is null) as in_force, max(revision) filter (where lapsed_at is null) as revision
      from sign_offs where page_id = ${pageId} group by page_id) o on true`.execute(db);
  return rows[0]!;
}

/** Status rows as they are right on a day: those an exception has run out under are counted anew, the others read. */
function statusOn(where: RawBuilder<unknown>, today: string): RawBuilder<unknown> {
  return sql`${counting(sql`select s.page_id, s.bar_id from page_status s where ${where} and s.valid_until < ${today}::date`, today)},
    live as (select sums.*, ${VERDICT} as verdict from sums join bars on bars.id = sums.bar_id),
    status as (
      select s.page_id, s.collection_id, coalesce(l.must, s.must) as must, coalesce(l.should, s.should) as should, coalesce(l.consider,
        s.consider) as consider,
        coalesce(l.questions, s.questions) as questions, coalesce(l.holding, s.holding) as holding, coalesce(l.elsewhere,
          s.elsewhere) as elsewhere, coalesce(l.fixed, s.fixed) as fixed,
        coalesce(l.counts, s.counts) as counts, coalesce(l.families, s.families) as families, coalesce(l.verdict, s.verdict) as verdict,
          case when l.page_id is not null and s.release in ('signed off', 'published') then 'lapsed' else s.release end as release
      from page_status s left join live l on l.page_id = s.page_id where ${where})`;
}

export interface ShelfSums extends Pick<Collection, 'id' | 'slug' | 'title' | 'kind'> {
  putAway: boolean;
  pages: number;
  must: number;
  should: number;
  consider: number;
  questions: number;
  held: number;
  judge: number;
  ready: number;
  signed: number;
  published: number;
  lapsed: number;
  /** What changed last in it: which page, by whom and when; null where nothing is in it. */
  last: { page: string; by: string; at: string } | null;
}

/** Every collection with the sums of its pages' states, by title. `only`: ids of those somebody may see; null for all. */
export async function shelfSums(db: Database | Write, only: readonly number[] | null, today: string): Promise<ShelfSums[]> {
  const seen = only === null ? sql`true` : sql`s.collection_id = any(${only}::integer[])`;
  const { rows } = await sql<ShelfSums>`${statusOn(seen, today)}
    select c.id, c.slug, c.title, c.kind, c.put_away_at is not null as "putAway", count(s.page_id)::integer as pages,
      coalesce(sum(must), 0)::integer as must, coalesce(sum(should), 0)::integer as should,
      coalesce(sum(consider), 0)::integer as consider, coalesce(sum(questions), 0)::integer as questions,
      (count(*) filter (where verdict = 'held'))::integer as held, (count(*) filter (where verdict = 'judge'))::integer as judge,
        (count(*) filter (where verdict = 'ready'))::integer as ready,
      (count(*) filter (where release = 'signed off'))::integer as signed,
      (count(*) filter (where release = 'published'))::integer as published,
      (count(*) filter (where release = 'lapsed'))::integer as lapsed,
      (select jsonb_build_object('page', p.title, 'by', u.name, 'at', r.made_at) from pages p
        join revisions r on r.page_id = p.id and r.number = p.head join people u on u.id = r.made_by
        where p.collection_id = c.id and p.gone_at is null order by r.made_at desc, p.id limit 1) as last
    from collections c left join status s on s.collection_id = c.id where c.arrived_at is not null and c.taken_out_at is null
      and ${only === null ? sql`true` : sql`c.id = any(${only}::integer[])`}
    group by c.id order by c.title collate "und-x-icu", c.id`.execute(db);
  return rows;
}

export type LedgerOrder = 'holding' | 'title' | 'position' | 'part';

export interface LedgerWish {
  order: LedgerOrder;
  verdict?: Verdict;
  release?: Release;
  family?: Family;
  contentType?: string;
  /** A part of the collection with all that lies in it, as `partName` writes it. */
  part?: string;
  /** Who made its newest revision. */
  by?: string;
  /** Words of the title. */
  words?: string;
  /** The page's row after which to go on, as `nextOf` gave it. */
  after?: readonly [string | number, number];
  limit: number;
}

export interface LedgerLine extends Status {
  id: number;
  slug: string;
  title: string;
  content_type: string;
  scope: string;
  head: number;
  position: number;
  part: string[];
}

const SORTED: Record<LedgerOrder, { by: RawBuilder<unknown>; key: (line: LedgerLine) => string | number }> = {
  // The most first: the keys are turned round, so that every order goes one way.
  holding: {
    by: sql`-(s.holding::bigint * 10000000 + s.must * 10000 + s.questions)`,
    key: (line) => -(line.holding * 10_000_000 + line.must * 10_000 + line.questions),
  },
  title: { by: sql`p.title collate "und-x-icu"`, key: (line) => line.title },
  position: { by: sql`p.position`, key: (line) => line.position },
  part: {
    by: sql`(array_to_string(p.part, ${sql.lit(' / ')}) || chr(1) || lpad(p.position::text, 9, '0')) collate "C"`,
    key: (line) => `${line.part.join(' / ')}\u0001${String(line.position).padStart(9, '0')}`,
  },
};

/** How the parts a page lies in are written as one name. */
const BETWEEN_PARTS = ' / ';
const BETWEEN = sql.lit(BETWEEN_PARTS);
const PART = sql`array_to_string(p.part, ${BETWEEN})`;

function ledgerWhere(collectionId: number, wish: LedgerWish): RawBuilder<unknown> {
  const wanted = [sql`s.collection_id = ${collectionId}`];
  if (wish.verdict) wanted.push(sql`s.verdict = ${wish.verdict}`);
  if (wish.release) wanted.push(sql`s.release = ${wish.release}`);
  if (wish.family) wanted.push(sql`s.families[${FAMILIES.indexOf(wish.family) + 1}::integer] > 0`);
  if (wish.contentType) wanted.push(sql`p.content_type = ${wish.contentType}`);
  if (wish.part !== undefined) wanted.push(sql`starts_with(${PART} || ${BETWEEN}, ${wish.part + BETWEEN_PARTS})`);
  if (wish.by) wanted.push(sql`exists (select 1 from revisions r where r.page_id = p.id and r.number = p.head and r.made_by = ${wish.by})`);
  if (wish.words) wanted.push(sql`strpos(lower(p.title), ${wish.words.toLowerCase()}) > 0`);
  return sql.join(wanted, sql` and `);
}

/** Pages of a collection, from a place in an order on; one more than asked for when there are more. */
export async function ledgerLines(db: Database | Write, collectionId: number, wish: LedgerWish, today: string): Promise<LedgerLine[]> {
  const { by } = SORTED[wish.order];
  const from = wish.after ? sql`and (${by}, p.id) > (${wish.after[0]}, ${wish.after[1]})` : sql``;
  const { rows } = await sql<LedgerLine>`${statusOn(sql`s.collection_id = ${collectionId}`, today)}
    select p.id, p.slug, p.title, p.content_type, p.scope, p.head, p.position, p.part, s.must, s.should, s.consider, s.questions, s.holding,
      s.elsewhere, s.fixed, s.counts, s.verdict, s.release
    from status s join pages p on p.id = s.page_id where ${ledgerWhere(collectionId, wish)} ${from} order by ${by}, p.id
      limit ${wish.limit + 1}`.execute(db);
  return rows;
}

/** The pages a whole choice comes to, in the order of the collection. */
export async function pagesChosen(
  db: Database | Write,
  collectionId: number,
  wish: Omit<LedgerWish, 'order' | 'after' | 'limit'>,
  today: string,
): Promise<number[]> {
  const { rows } = await sql<{ id: number }>`${statusOn(sql`s.collection_id = ${collectionId}`, today)}
    select p.id from status s join pages p on p.id = s.page_id where ${ledgerWhere(collectionId, { ...wish, order: 'position', limit: 0 })}
    order by p.position, p.id`.execute(db);
  return rows.map(({ id }) => id);
}

/** What a ledger can be narrowed by, each with its pages: parts in the order of the collection, content types, who changed a page last. */
export interface LedgerNarrowing {
  parts: { part: string; pages: number; open: number; held: number }[];
  contentTypes: { type: string; pages: number }[];
  people: { id: string; name: string; pages: number }[];
}

/** Parts that are told. */
const MOST_PARTS = 500;

export async function ledgerNarrowing(db: Database | Write, collectionId: number): Promise<LedgerNarrowing> {
  const { rows } = await sql<LedgerNarrowing>`with here as materialized (
      select p.id, ${PART} as part, p.position, p.content_type, r.made_by, s.must + s.should + s.consider + s.questions as open, s.verdict
      from page_status s join pages p on p.id = s.page_id join revisions r on r.page_id = p.id and r.number = p.head
      where s.collection_id = ${collectionId})
    select
      (select coalesce(jsonb_agg(to_jsonb(x) - 'first' order by x.first), '[]') from (select part, count(*)::integer as pages,
        sum(open)::integer as open, (count(*) filter (where verdict = 'held'))::integer as held, min(position) as first
        from here where part <> '' group by part order by min(position) limit ${MOST_PARTS}) x) as parts,
      (select coalesce(jsonb_agg(to_jsonb(x) order by x.pages desc, x.type), '[]') from (select content_type as type,
        count(*)::integer as pages from here group by 1) x) as "contentTypes",
      (select coalesce(jsonb_agg(to_jsonb(x) order by x.name), '[]') from (select u.id, u.name, count(*)::integer as pages
        from here join people u on u.id = here.made_by group by 1, 2) x) as people`.execute(db);
  return rows[0]!;
}

/** What `after` has to be for the page behind a line. */
export function placeOf(line: LedgerLine, order: LedgerOrder): [string | number, number] {
  return [SORTED[order].key(line), line.id];
}

export interface LedgerSums {
  pages: number;
  must: number;
  should: number;
  consider: number;
  questions: number;
  families: Partial<Record<Family, number>>;
}

/** What a whole choice of pages comes to. */
export async function ledgerSums(db: Database | Write, collectionId: number, wish: LedgerWish, today: string): Promise<LedgerSums> {
  const each = sql.join(FAMILIES.map((_family, i) => sql`coalesce(sum(families[${sql.lit(i + 1)}]), 0)::integer`));
  const { rows } = await sql<
    Omit<LedgerSums, 'families'> & { families: number[] }
  >`${statusOn(sql`s.collection_id = ${collectionId}`, today)}
    select count(*)::integer as pages, coalesce(sum(must), 0)::integer as must, coalesce(sum(should), 0)::integer as should,
      coalesce(sum(consider), 0)::integer as consider,
      coalesce(sum(questions), 0)::integer as questions, array[${each}] as families
    from status s join pages p on p.id = s.page_id where ${ledgerWhere(collectionId, wish)}`.execute(db);
  const { families, ...sums } = rows[0]!;
  return { ...sums, families: Object.fromEntries(FAMILIES.flatMap((family, i) => (families[i]! > 0 ? [[family, families[i]!]] : []))) };
}
