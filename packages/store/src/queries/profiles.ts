import { sql, type RawBuilder } from 'kysely';
import type { Family, FindingOutcome, Profile, Values, Vocabulary, Weight } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';
import { lockProfiles } from './house.ts';

/** A profile version as pages of one content type meet it. */
export interface Bar {
  id: number;
  versionId: number;
  contentType: string;
  profile: Profile;
  vocabulary: Vocabulary;
}

const BAR = sql<Bar>`select b.id, v.id as "versionId", b.content_type as "contentType", v.selection as profile, v.vocabulary
  from bars b join profile_versions v on v.id = b.profile_version_id`;

export async function barById(db: Database | Write, id: number): Promise<Bar> {
  const { rows } = await sql<Bar>`${BAR} where b.id = ${id}`.execute(db);
  return rows[0]!;
}

/**
 * The id of the bar that pages of a content type in a collection are held to: of the newest version of the closest profile, that for
 * their content type if it has one. Both arguments may be columns.
 */
export function closestBar(collection: RawBuilder<unknown>, contentType: RawBuilder<unknown>): RawBuilder<unknown> {
  return sql`(select b.id from bars b join profile_versions v on v.id = b.profile_version_id
    join profiles p on p.id = v.profile_id and p.version = v.version
    where b.content_type in (${contentType}, '') and p.id = coalesce(
      (select u.profile_id from profile_uses u
        where (u.collection_id = ${collection} or u.collection_id is null) and (u.content_type = ${contentType} or u.content_type is null)
        order by u.collection_id is null, u.content_type is null limit 1),
      (select profile_id from house))
    order by b.content_type = '' limit 1)`;
}

/** The bar pages of a content type in a collection are held to; null: in none that has a profile of its own. */
export async function barFor(db: Database | Write, collectionId: number | null, contentType: string): Promise<Bar> {
  const { rows } = await sql<Bar>`${BAR} where b.id = ${closestBar(sql`${collectionId}::integer`, sql`${contentType}::text`)}`.execute(db);
  return rows[0]!;
}

/** A profile with its first version still to come. */
export async function addProfile(trx: Write, name: string): Promise<number> {
  return (await trx.insertInto('profiles').values({ name, version: 0 }).returning('id').executeTakeFirstOrThrow()).id;
}

/** Names the profile of a collection, of a content type, or of both together; null: it has none of its own any more. */
export async function setProfileUse(
  trx: Write,
  of: { collection: number | null; contentType: string | null },
  profileId: number | null,
): Promise<void> {
  await sql`delete from profile_uses where collection_id is not distinct from ${of.collection}::integer
    and content_type is not distinct from ${of.contentType}::text`.execute(trx);
  if (profileId !== null)
    await trx
      .insertInto('profile_uses')
      .values({ collection_id: of.collection, content_type: of.contentType, profile_id: profileId })
      .execute();
}

export interface Kind {
  name: string;
  rule: string;
  family: Family;
  weight: Weight;
  outcome: FindingOutcome;
  criteria: readonly string[] | null;
  measured: Values;
}

export type StoredKind = Kind & { id: number };

export interface KindWeight {
  bar_id: number;
  kind_id: number;
  weight: Weight;
  outcome: FindingOutcome;
  holds: boolean;
}

/** Kinds that were read from a database, by name: a kind never goes. What a transaction has added may yet be undone, and is not kept. */
const readKinds = new WeakMap<Database, Map<string, number>>();

/**
 * Ids of kinds by name; those not known yet are added, and weighed for every bar in use by `weigh`. `db`: the database of the transaction.
 */
export async function kindIds(
  trx: Write,
  db: Database,
  kinds: readonly Kind[],
  weigh: (kind: StoredKind, bar: Bar) => Omit<KindWeight, 'bar_id' | 'kind_id'> | null,
): Promise<Map<string, number>> {
  const read = readKinds.get(db) ?? new Map<string, number>();
  readKinds.set(db, read);
  const names = kinds.map((kind) => kind.name).filter((name) => !read.has(name));
  const known =
    names.length === 0
      ? []
      : await trx
          .selectFrom('kinds')
          .select(['id', 'name', sql<boolean>`xmin is distinct from pg_current_xact_id_if_assigned()::xid`.as('lasts')])
          .where(sql<boolean>`name = any(${names})`)
          .execute();
  // One that this very transaction added may yet be undone with it.
  for (const kind of known) if (kind.lasts) read.set(kind.name, kind.id);
  const ids = new Map(known.map((kind) => [kind.name, kind.id]));
  for (const { name } of kinds) if (read.has(name)) ids.set(name, read.get(name)!);
  const fresh = kinds.filter((kind) => !ids.has(kind.name));
  if (fresh.length === 0) return ids;
  await lockProfiles(trx, 'to use');
  const { rows: made } = await sql<StoredKind>`insert into kinds (name, rule, family, weight, outcome, criteria, measured)
    select name, rule, family, weight, outcome, nullif(criteria, 'null'::jsonb), measured
      from ${rowsFrom(fresh, 'name text, rule text, family text, weight text, outcome text, criteria jsonb, measured jsonb')}
    order by name on conflict (name) do update set name = excluded.name returning id, name, rule, family, weight, outcome, criteria,
      measured`.execute(trx);
  const { rows: bars } = await sql<Bar>`${BAR}`.execute(trx);
  await addWeights(
    trx,
    made.flatMap((kind) =>
      bars.flatMap((bar) => {
        const weight = weigh(kind, bar);
        return weight ? [{ bar_id: bar.id, kind_id: kind.id, ...weight }] : [];
      }),
    ),
  );
  for (const kind of made) ids.set(kind.name, kind.id);
  return ids;
}

export function allKinds(db: Database | Write): Promise<StoredKind[]> {
  return db.selectFrom('kinds').selectAll().execute();
}

export async function addWeights(trx: Write, weights: readonly KindWeight[]): Promise<void> {
  if (weights.length === 0) return;
  await sql`insert into kind_weights (bar_id, kind_id, weight, outcome, holds)
    select bar_id, kind_id, weight, outcome, holds
      from ${rowsFrom(weights, 'bar_id integer, kind_id integer, weight text, outcome text, holds boolean')}
      on conflict do nothing`.execute(trx);
}

export interface StoredProfile {
  id: number;
  name: string;
  version: number;
  selection: Profile;
  vocabulary: Vocabulary;
}

export async function profileByName(db: Database | Write, name: string): Promise<StoredProfile | undefined> {
  return profileWhere(db, sql`p.name = ${name}`);
}

export async function profileById(db: Database | Write, id: number): Promise<StoredProfile | undefined> {
  return profileWhere(db, sql`p.id = ${id}`);
}

async function profileWhere(db: Database | Write, where: RawBuilder<unknown>): Promise<StoredProfile | undefined> {
  const { rows } = await sql<StoredProfile>`select p.id, p.name, p.version, v.selection, v.vocabulary
    from profiles p join profile_versions v on v.profile_id = p.id and v.version = p.version where ${where}`.execute(db);
  return rows[0];
}

/** A version of a profile, as it was made. */
export interface ProfileVersion {
  version: number;
  selection: Profile;
  vocabulary: Vocabulary;
  by: string;
  at: Date;
}

/** Versions of a profile, the newest first. */
export async function versionsOf(db: Database | Write, profileId: number, limit: number): Promise<ProfileVersion[]> {
  return db
    .selectFrom('profile_versions')
    .innerJoin('people', 'people.id', 'profile_versions.made_by')
    .select(['version', 'selection', 'vocabulary', 'people.name as by', 'made_at as at'])
    .where('profile_id', '=', profileId)
    .orderBy('version', 'desc')
    .limit(limit)
    .execute();
}

/** A profile, how many pages are held to it, and what it is named for. */
export interface ProfileInUse {
  id: number;
  name: string;
  version: number;
  isHouse: boolean;
  pages: number;
  uses: { collection: string | null; collectionTitle: string | null; contentType: string | null }[];
}

/** All profiles, the house's own first. */
export async function profilesInUse(db: Database | Write): Promise<ProfileInUse[]> {
  const { rows } = await sql<ProfileInUse>`select p.id, p.name, p.version, p.id = h.profile_id as "isHouse",
      (select count(*)::integer from page_status s join bars b on b.id = s.bar_id join profile_versions v on v.id = b.profile_version_id
        where v.profile_id = p.id and s.collection_id is not null) as pages,
      coalesce((select json_agg(json_build_object('collection', c.slug, 'collectionTitle', c.title, 'contentType', u.content_type)
          order by c.title nulls first, u.content_type)
        from profile_uses u left join collections c on c.id = u.collection_id where u.profile_id = p.id), '[]') as uses
    from profiles p cross join house h order by p.id <> h.profile_id, p.name`.execute(db);
  return rows;
}

/** Types of content that pages have, those of most pages first. */
export async function contentTypes(db: Database | Write): Promise<string[]> {
  const { rows } = await sql<{ type: string }>`select content_type as type from pages where gone_at is null group by content_type
    order by count(*) desc, content_type limit 100`.execute(db);
  return rows.map(({ type }) => type);
}

/** A new version of a profile, with a bar for each content type it has a word of its own for, and one for the rest. */
export async function addProfileVersion(trx: Write, profile: StoredProfile, by: string): Promise<Bar[]> {
  const { rows } = await sql<{
    id: number;
  }>`with next as (update profiles set version = version + 1 where id = ${profile.id} returning id, version)
    insert into profile_versions (profile_id, version, selection, vocabulary, made_by)
    select id, version, ${JSON.stringify(profile.selection)}::jsonb, ${JSON.stringify(profile.vocabulary)}::jsonb, ${by}::text
      from next returning id`.execute(trx);
  const version = rows[0]!.id;
  const types = ['', ...Object.keys(profile.selection.contentTypes ?? {})];
  await sql`insert into bars (profile_version_id, content_type, questions_hold) select ${version}::integer, type,
    ${profile.selection.questionsHold !== false}::boolean from unnest(${types}::text[]) type`.execute(trx);
  const { rows: bars } = await sql<Bar>`${BAR} where b.profile_version_id = ${version}`.execute(trx);
  return bars;
}

/** Bars no page is held to any more lose their weights; the versions themselves stay, for the sign-offs that name them. */
export async function dropOldWeights(trx: Write, profileId: number): Promise<void> {
  await sql`delete from kind_weights w using bars b join profile_versions v on v.id = b.profile_version_id
    join profiles p on p.id = v.profile_id
    where w.bar_id = b.id and p.id = ${profileId} and v.version < p.version and not exists (select 1 from page_status s
      where s.bar_id = b.id)`.execute(trx);
}
