import { sql, type Kysely } from 'kysely';

/** The secret of a message lies apart from its words, and only until it is sent: whoever reads messages here reads none. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const STATEMENTS = [
  `alter table messages add column secret text`,
  String.raw`update messages set secret = case when sent_at is null then substring(body from '\S+/link/\S+') end,
     body = regexp_replace(body, '\S+/link/\S+', '(The link is in the message itself. It is not shown here.)')
     where body ~ '\S+/link/\S+'`,
];
