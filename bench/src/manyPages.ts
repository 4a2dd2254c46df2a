import { sql } from 'kysely';
import type { Database } from '@inkwell/store';

/**
 * Copies pages of a collection until it has so many: text, audit, findings, places, references and status, as the use-cases wrote them.
 * A seeded few of the findings are fixed, ruled out or let stand.
 */
export async function copyPages(db: Database, collectionId: number, pages: number): Promise<void> {
  const { rows } = await sql<{ many: number }>`select count(*)::integer as many from pages where collection_id = ${collectionId}`.execute(
    db,
  );
  const templates = rows[0]!.many;
  const statements = [
    sql`create temporary table copies as select p.id as old, nextval(pg_get_serial_sequence('pages', 'id'))::integer as new, n,
      p.audit_id as old_audit, nextval(pg_get_serial_sequence('audits', 'id'))::integer as new_audit
      from generate_series(1, ${pages - templates}) n join (select *, row_number() over (order by id) as nth from pages
        where collection_id = ${collectionId}) p on p.nth = 1 + n % ${templates}`,
    sql`insert into pages (id, collection_id, slug, title, scope, content_type, address, position, head, version, head_version, make_up, part, redo,
      made_by) overriding system value
      select c.new, p.collection_id, p.slug || '-copy-' || n, p.title || ' ' || n, scope, content_type, 'copy-' || n || '-' || address,
        1000 + n, head, version, head_version, make_up, array['Unit ' || n % 40], redo, made_by from copies c join pages p on p.id = c.old`,
    sql`insert into revisions (page_id, number, parent, content, content_before, text_sha256, title, encoding, bom, cause, note,
      made_by) select c.new, number, parent, content, content_before, text_sha256, title, encoding, bom, cause, note, made_by
      from copies c join revisions r on r.page_id = c.old`,
    sql`insert into audits (id, page_id, revision, engine, inputs, moves) overriding system value select c.new_audit, c.new, a.revision,
      a.engine, a.inputs, a.moves from copies c join audits a on a.id = c.old_audit`,
    sql`update pages p set audit_id = c.new_audit from copies c where c.new = p.id`,
    sql`create temporary table copied as select f.id as old, nextval(pg_get_serial_sequence('findings', 'id'))::integer as new,
      c.new as page, c.new_audit as audit, f.kind_id, f.slip, random() as chance
      from copies c join findings f on f.page_id = c.old order by c.new, f.id`,
    sql`create index on copied (old)`,
    sql`insert into findings (id, page_id, kind_id, standing, ruled, excepted_until, first_revision, slip) overriding system value
      select new, page, kind_id, case when chance < 0.05 then 'fixed' when chance < 0.08 then 'ruled out' when chance < 0.1
        then 'excepted' else 'open' end,
        case when chance between 0.05 and 0.08 then 'no problem' end, case when chance between 0.08 and 0.1 then '2099-12-31'::date end,
          1, slip from copied`,
    sql`insert into occurrences (finding_id, page_id, place, from_audit, to_audit, path, through, start_at, end_at, message,
      message_values, subject, fingerprint, remedies)
      select c.new, c.page, place, c.audit, null, path, through, start_at, end_at, message, message_values, subject, fingerprint,
        remedies from copied c join occurrences o on o.finding_id = c.old`,
    sql`insert into page_references (page_id, collection_id, kind, target, fragment, alternative) select c.new, collection_id, kind,
      case when kind = 'anchor' then 'copy-' || n || '-' || target else target end, fragment, alternative from copies c
      join page_references r on r.page_id = c.old`,
    sql`insert into page_status (page_id, collection_id, bar_id) select c.new, collection_id, bar_id from copies c
      join page_status s on s.page_id = c.old`,
    sql`drop table copied`,
    sql`drop table copies`,
  ];
  await db.connection().execute(async (one) => {
    await sql`select setseed(0.25)`.execute(one);
    for (const statement of statements) await statement.execute(one);
  });
}

/** What the use-cases did in the background while nobody measured is not to be measured with them. */
export async function settle(db: Database): Promise<void> {
  await sql`delete from jobs`.execute(db);
  for (const table of [
    'pages',
    'page_status',
    'findings',
    'occurrences',
    'audits',
    'revisions',
    'page_references',
    'kind_weights',
    'kinds',
  ])
    await sql`vacuum analyze ${sql.table(table)}`.execute(db);
}
