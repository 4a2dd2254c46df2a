import { sql, type Kysely } from 'kysely';

/** Files that come with pages and are none: each has a standing, an owner and a date of its own. */
export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db);
}

const KINDS: Readonly<Record<string, string>> = {
  PDF: 'pdf',
  document: 'docx?|odt|rtf|pages',
  spreadsheet: 'xlsx?|ods|csv|tsv',
  slides: 'pptx?|odp|key',
  archive: 'zip|rar|7z|tar|gz|tgz|bz2|xz',
  captions: 'vtt|srt',
  sound: 'mp3|wav|ogg|oga|m4a|flac|aac',
  video: 'mp4|m4v|webm|mov|avi|mkv|ogv',
  book: 'epub',
};
const KIND_OF_PATH = `case ${Object.entries(KINDS)
  .map(([kind, endings]) => `when path ~* '\\.(${endings})$' then '${kind}'`)
  .join(' ')} end`;

const STATEMENTS = [
  // What was read in a file, whatever its name: the same bytes are looked into once.
  `create table file_facts (
     sha256 text primary key references files on delete cascade,
     facts jsonb not null)`,
  `create table attachments (
     collection_id integer not null references collections on delete cascade,
     path text not null,
     kind text not null,
     /* The bytes its standing is about. */
     sha256 text not null references files,
     standing text not null default 'unseen' check (standing in ('unseen', 'to mend', 'to become a page', 'fit')),
     owner text references people,
     due date,
     note text not null default '',
     version integer not null default 1,
     primary key (collection_id, path))`,
  `create index attachments_by_file on attachments (sha256)`,
  `create index attachments_by_owner on attachments (owner)`,
  // What was said of it before, by whom and when.
  `create table attachment_changes (
     id integer generated always as identity primary key,
     collection_id integer not null,
     path text not null,
     standing text not null,
     owner text references people,
     due date,
     note text not null,
     made_by text not null references people,
     made_at timestamptz not null default now(),
     foreign key (collection_id, path) references attachments on delete cascade)`,
  `create index attachment_changes_by_attachment on attachment_changes (collection_id, path)`,
  `create index attachment_changes_by_owner on attachment_changes (owner)`,
  `create index attachment_changes_by_maker on attachment_changes (made_by)`,
  `insert into attachments (collection_id, path, kind, sha256) select collection_id, path, kind, sha256
     from (select *, ${KIND_OF_PATH} as kind from assets) a where kind is not null and path not like '$IMS-CC-FILEBASE$/%'`,
  // Pages refer to what they play as well.
  `alter table page_references drop constraint page_references_kind_check`,
  `alter table page_references add constraint page_references_kind_check check (kind in ('link', 'image', 'anchor', 'sheet', 'media'))`,
  // What a package holds that is no page, before it is accepted.
  `alter table packages add column attached jsonb not null default '[]'`,
];
