import { sql } from 'kysely';
import type { Vocabulary } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import { rowsFrom } from '../rows.ts';

export interface NamedColour {
  value: string;
  name: string;
}

/** The colours of a house's profile, in its order, each with the name the house has for it. */
export async function housePalette(db: Database | Write, profileId: number): Promise<NamedColour[]> {
  const { rows } = await sql<{ vocabulary: Vocabulary; names: NamedColour[] }>`select v.vocabulary,
      (select coalesce(jsonb_agg(jsonb_build_object('value', value, 'name', name)), '[]') from colours) as names
    from profiles p join profile_versions v on v.profile_id = p.id and v.version = p.version where p.id = ${profileId}`.execute(db);
  const names = new Map(rows[0]?.names.map(({ value, name }) => [value, name]));
  return (rows[0]?.vocabulary.colours ?? []).map((value) => ({ value, name: names.get(value) ?? value }));
}

/** What the house calls its colours, in place of what it did. */
export async function nameColours(trx: Write, colours: readonly NamedColour[]): Promise<void> {
  await sql`delete from colours`.execute(trx);
  await sql`insert into colours (name, value) select name, value from ${rowsFrom(colours, 'name text, value text')}`.execute(trx);
}

/** Texts of style sheets of some collections, up to a length each and up to a number, the same bytes once. */
export async function sheetTexts(db: Database | Write, collections: readonly number[], longest: number, most: number): Promise<string[]> {
  const { rows } = await sql<{ bytes: Buffer }>`with sheets as (select distinct f.sha256 from assets a join files f on f.sha256 = a.sha256
      where a.collection_id = any(${collections}::integer[]) and f.media_type = 'text/css' and f.size <= ${longest} limit ${most})
    select string_agg(p.bytes, ''::bytea order by p.nth) as bytes from sheets s join file_pieces p on p.sha256 = s.sha256 group by s.sha256`.execute(
    db,
  );
  return rows.map(({ bytes }) => bytes.toString('utf8'));
}
