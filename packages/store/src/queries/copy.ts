import { sql } from 'kysely';
import type { Write } from '../database.ts';

/**
 * Copies a collection with its pages, their history, audits, findings and what was decided about them, in as many statements whatever its
 * size. What was put to somebody else or has ended is left out, and so are pages that have gone. Gives the copy's number.
 */
export async function copyCollection(trx: Write, id: number, made: { slug: string; title: string; by: string }): Promise<number> {
  const { rows } = await sql<{ id: number }>`insert into collections (slug, title, kind, scope, arrived_at)
    select ${made.slug}, ${made.title}, kind, scope, now() from collections where id = ${id} returning id`.execute(trx);
  const copy = rows[0]!.id;
  for (const statement of statementsFor(id, copy, made.by)) await statement.execute(trx);
  return copy;
}

/** Names thing `t` in another collection: `thingId` in SQL. */
const THING = (collection: number) => sql`md5(concat_ws(chr(10), ${collection}::integer, t.register, t.name, t.place))::uuid`;

function statementsFor(id: number, copy: number, by: string) {
  return [
    sql`create temporary table copied_pages on commit drop as select id as old, nextval(pg_get_serial_sequence('pages', 'id'))::integer as new
      from pages where collection_id = ${id} and gone_at is null and head > 0`,
    sql`create temporary table copied_audits on commit drop as select a.id as old, c.new as page,
      nextval(pg_get_serial_sequence('audits', 'id'))::integer as new from copied_pages c join audits a on a.page_id = c.old order by a.id`,
    sql`create temporary table copied_findings on commit drop as select f.id as old, c.new as page,
      nextval(pg_get_serial_sequence('findings', 'id'))::integer as new from copied_pages c join findings f on f.page_id = c.old order by f.id`,
    sql`create index on copied_audits (old)`,
    sql`create index on copied_findings (old)`,
    sql`analyze copied_pages, copied_audits, copied_findings`,
    sql`insert into assets (collection_id, path, sha256) select ${copy}::integer, path, sha256 from assets where collection_id = ${id}`,
    sql`insert into attachments (collection_id, path, kind, sha256, standing, note)
      select ${copy}::integer, a.path, a.kind, a.sha256, a.standing, a.note from attachments a
      join assets s on s.collection_id = a.collection_id and s.path = a.path where a.collection_id = ${id}`,
    sql`insert into pages (id, collection_id, slug, title, scope, content_type, address, position, head, redo, made_by, version,
        head_version, entry, inside, base, part, make_up) overriding system value
      select c.new, ${copy}::integer, slug, title, scope, content_type, address, position, head, redo, ${by}::text, version, head_version,
        entry, inside, base, part, make_up from copied_pages c join pages p on p.id = c.old`,
    sql`insert into revisions (page_id, number, parent, content, content_before, title, encoding, cause, note, made_by, made_at,
        text_sha256, bom, bytes_sha256)
      select c.new, number, parent, content, content_before, title, encoding, cause, note, made_by, made_at, text_sha256, bom, bytes_sha256
      from copied_pages c join revisions r on r.page_id = c.old`,
    sql`insert into audits (id, page_id, revision, engine, inputs, moves, made_at) overriding system value
      select c.new, c.page, revision, engine, inputs, moves, made_at from copied_audits c join audits a on a.id = c.old`,
    sql`update pages p set audit_id = a.new from copied_pages c join pages o on o.id = c.old join copied_audits a on a.old = o.audit_id
      where p.id = c.new`,
    sql`insert into findings (id, page_id, kind_id, standing, ruled, excepted_until, first_revision, slip) overriding system value
      select c.new, c.page, kind_id, standing, ruled, excepted_until, first_revision, slip from copied_findings c
      join findings f on f.id = c.old`,
    sql`insert into occurrences (finding_id, page_id, place, from_audit, to_audit, path, through, start_at, end_at, message,
        message_values, subject, fingerprint, remedies)
      select c.new, c.page, place, a.new, z.new, path, through, start_at, end_at, message, message_values, subject, fingerprint, remedies
      from copied_findings c join occurrences o on o.finding_id = c.old join copied_audits a on a.old = o.from_audit
      left join copied_audits z on z.old = o.to_audit`,
    sql`insert into things (id, collection_id, register, name, place)
      select ${THING(copy)}, ${copy}::integer, register, name, place from things t
      where collection_id = ${id}`,
    sql`insert into uses (page_id, sum, collection_id, register, thing_id, many, lead, said, traits, troubles, open, asks, says, facts,
        findings)
      select c.new, sum, ${copy}::integer, u.register, ${THING(copy)}, many, lead, said,
        traits, troubles, open, asks, says, facts,
        coalesce((select array_agg(f.new) from unnest(u.findings) as one (id) join copied_findings f on f.old = one.id), '{}')
      from copied_pages c join uses u on u.page_id = c.old join things t on t.id = u.thing_id`,
    sql`insert into page_references (page_id, collection_id, kind, target, fragment, alternative)
      select c.new, ${copy}::integer, kind, target, fragment, alternative from copied_pages c join page_references r on r.page_id = c.old`,
    sql`insert into rulings (finding_id, answer, made_by, made_at, places) select c.new, answer, made_by, made_at, places
      from copied_findings c join rulings r on r.finding_id = c.old where taken_back_at is null`,
    sql`insert into exceptions (finding_id, reason, until, made_by, made_at, places) select c.new, reason, until, made_by, made_at, places
      from copied_findings c join exceptions e on e.finding_id = c.old where ended_at is null`,
    sql`insert into sign_offs (page_id, revision, audit_id, profile_version_id, signed_by, signed_at)
      select c.new, s.revision, a.new, profile_version_id, signed_by, signed_at from copied_pages c join sign_offs s on s.page_id = c.old
      join copied_audits a on a.old = s.audit_id where lapsed_at is null`,
    sql`insert into page_status (page_id, collection_id, bar_id) select c.new, ${copy}::integer, bar_id from copied_pages c
      join page_status s on s.page_id = c.old`,
    // It goes out as the package it came in, as the one it is a copy of does.
    sql`insert into packages (name, sha256, state, kind, title, files, pages, troubles, attached, collection_id, made_by,
        here_at)
      select name, sha256, state, kind, title, files, pages, troubles, attached, ${copy}::integer, ${by}::text, now() from packages
      where collection_id = ${id} and state = 'here' order by here_at desc, id desc limit 1`,
  ];
}

/** Pages of a collection, to be counted anew. */
export async function pagesOfCollection(trx: Write, id: number): Promise<number[]> {
  const { rows } = await sql<{ id: number }>`select id from pages where collection_id = ${id}`.execute(trx);
  return rows.map((row) => row.id);
}
