import { sql } from 'kysely';
import type { Database } from '@inkwell/store';

/**
 * Copies pages of a collection until it has so many: text, audit, findings, places, references and status, as the use-cases wrote them.
 * A seeded few of the findings are fixed, ruled out or let stand; every other page asks questions that no other asks.
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
      c.new as page, c.new_audit as audit, f.kind_id, f.slip, random() as chance,
      case when f.same is null then null when c.n % 2 = 0 then f.same else 'a-' || md5(c.n || ' ' || f.id) end as same
      from copies c join findings f on f.page_id = c.old order by c.new, f.id`,
    sql`create index on copied (old, page)`,
    sql`analyze copied`,
    sql`insert into findings (id, page_id, kind_id, standing, ruled, excepted_until, first_revision, slip, same) overriding system value
      select new, page, kind_id, case when chance < 0.05 then 'fixed' when chance < 0.08 then 'ruled out' when chance < 0.1
        then 'excepted' else 'open' end,
        case when chance between 0.05 and 0.08 then 'no problem' end, case when chance between 0.08 and 0.1 then '2099-12-31'::date end,
          1, slip, same from copied`,
    sql`insert into occurrences (finding_id, page_id, place, from_audit, to_audit, path, through, start_at, end_at, message,
      message_values, subject, fingerprint, remedies)
      select c.new, c.page, place, c.audit, null, path, through, start_at, end_at, message, message_values, subject, fingerprint,
        remedies from copied c join occurrences o on o.finding_id = c.old`,
    sql`insert into page_references (page_id, collection_id, kind, target, fragment, alternative) select c.new, collection_id, kind,
      case when kind = 'anchor' then 'copy-' || n || '-' || target else target end, fragment, alternative from copies c
      join page_references r on r.page_id = c.old`,
    sql`insert into uses (page_id, sum, collection_id, register, thing_id, many, lead, said, traits, says, facts, findings)
      select c.new, u.sum, u.collection_id, register, thing_id, many, lead, said, traits, says, facts,
        coalesce((select array_agg(f.new) from unnest(u.findings) as one (id) join copied f on f.old = one.id and f.page = c.new), '{}')
      from copies c join uses u on u.page_id = c.old`,
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

/** So many more uses of images on the pages of a collection, of a twelfth as many files: each on pages of its own. */
export async function moreImageUses(db: Database, collectionId: number, uses: number): Promise<void> {
  const files = Math.round(uses / 12);
  await sql`insert into files (sha256, media_type, size) select md5('image ' || n) || md5('image ' || n), 'image/png', 20000 + n
    from generate_series(1, ${files}) n`.execute(db);
  await sql`insert into assets (collection_id, path, sha256) select ${collectionId}::integer, 'more/image-' || n || '.png',
    md5('image ' || n) || md5('image ' || n) from generate_series(1, ${files}) n`.execute(db);
  await sql`insert into image_facts (sha256, width, height, alike) select sha256, 640, 400, sha256 from assets
    where collection_id = ${collectionId} and path like 'more/%'`.execute(db);
  await sql`insert into things (id, collection_id, register, name, place) select md5(path)::uuid, ${collectionId}::integer, 0, path, ''
    from assets where collection_id = ${collectionId} and path like 'more/%'`.execute(db);
  await sql`with numbered as (select id, row_number() over (order by id) - 1 as nth, count(*) over () as many from pages
      where collection_id = ${collectionId})
    insert into uses (page_id, sum, collection_id, register, thing_id, many, lead, said, traits, open, says, facts, findings)
    select p.id, md5('use ' || n)::uuid, ${collectionId}::integer, 0, md5('more/image-' || (1 + n % ${files}) || '.png')::uuid, 1, 1, n % 3, 4,
      n % 4, 'Boats number ' || n % 3, '{"kind": "img", "decorative": false}', '{}'
    from generate_series(1, ${uses}) n join numbered p on p.nth = (n / 7) % p.many`.execute(db);
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
    'uses',
    'things',
    'kind_weights',
    'kinds',
  ])
    await sql`vacuum analyze ${sql.table(table)}`.execute(db);
}
