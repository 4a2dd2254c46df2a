import { contentTypeOf, toCsvTable } from '@inkwell/formats';
import { CallError, deliver, oneOf, profileFrom, readCall, scopeNamed, sheetsFrom } from './call.ts';
import { Session, type Group } from './known.ts';
import { openPaths, type PageFile } from './pages.ts';
import { ImageRegister, LinkRegister, SHEET, sheetRows, type ImageFile, type LinkRow } from './registers.ts';
import type { How } from './surroundings.ts';
import type { Task } from './tasks.ts';
import { VIEW_NAMES, viewLine, type OnePage, type ViewName } from './views.ts';

const FORMATS = ['text', 'json', 'csv'] as const;

/** `inkwell inspect`: what the engine knows of a page, or of the pages of a package. */
export async function inspectCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, {
    view: { type: 'string' },
    json: { type: 'boolean' },
    format: { type: 'string' },
    profile: { type: 'string' },
    scope: { type: 'string' },
    css: { type: 'string', multiple: true },
  });
  if (positionals.length !== 1) throw new CallError('inspect needs one PATH: an HTML file, a folder, a package, or - for standard input');
  if (values.view === undefined) throw new CallError(`inspect needs --view: ${VIEW_NAMES.join(', ')}`);
  const view = oneOf('--view', values.view, VIEW_NAMES);
  const format = values.json ? 'json' : oneOf('--format', values.format, FORMATS);
  const how: How = { ...(await profileFrom(values.profile)), scope: scopeNamed(values.scope), sheets: await sheetsFrom(values.css) };
  const opened = await openPaths(positionals);
  const session = new Session(opened);
  try {
    await write(opened.wholes.length > 0 ? await rowsOfWhole(session, view, how) : await rowsOf(session, view, how), view, format);
  } finally {
    await session.close();
  }
  return 0;
}

type Rows = { rows: object[]; line(row: never): string };

async function write({ rows, line }: Rows, view: ViewName, format: (typeof FORMATS)[number]): Promise<void> {
  if (format === 'json') return deliver(`${JSON.stringify(rows, null, 2)}\n`, undefined);
  if (format === 'text') return deliver(rows.map((row) => `${line(row as never)}\n`).join(''), undefined);
  if (view === 'images' && rows.every((row) => 'uses' in row)) return deliver(toCsvTable(sheetRows(rows as ImageFile[]), SHEET), undefined);
  return deliver(toCsvTable(rows), undefined);
}

/** The rows of one page; of a folder or package those of all pages, each with its page. */
async function rowsOf(session: Session, view: ViewName, how: How): Promise<Rows> {
  const rows: object[] = [];
  for await (const group of session.groups()) {
    const tasks = group.pages.map((page): Task<'view'> => ({ kind: 'view', page, how, view }));
    for await (const { task, value } of session.results<'view'>(group, tasks, ({ page }) => page.path))
      for (const row of value) rows.push(placed(row, task.page, group, view));
    tellTroubles(group);
  }
  const line = (row: object) => `${'page' in row && view !== 'pages' ? `${String(row.page)}: ` : ''}${viewLine(view, row)}`;
  return { rows, line };
}

/** Images and links of a whole collection are told once each, with all their uses. */
async function rowsOfWhole(session: Session, view: ViewName, how: How): Promise<Rows> {
  if (view !== 'images' && view !== 'links') return rowsOf(session, view, how);
  const next = await session.groups().next();
  if (next.done) return { rows: [], line: () => '' };
  const group = next.value;
  const rows = view === 'images' ? await imagesIn(session, group, how) : await linksIn(session, group, how);
  tellTroubles(group);
  return { rows, line: view === 'images' ? (row: ImageFile) => imageLine(row) : (row: LinkRow) => linkLine(row) } as Rows;
}

export async function imagesIn(session: Session, group: Group, how: How): Promise<ImageFile[]> {
  const register = new ImageRegister();
  const tasks = group.pages.map((page): Task<'images'> => ({ kind: 'images', page, how }));
  for await (const { task, value } of session.results<'images'>(group, tasks, ({ page }) => page.path))
    register.addPage(task.page.path, value);
  const sheets = Object.entries(group.neighbours?.sheets ?? {}).sort(([one], [other]) => (one < other ? -1 : 1));
  for (const [sheet, text] of sheets) register.addSheet(sheet, text);
  return register.rows(group.whole!);
}

async function linksIn(session: Session, group: Group, how: How): Promise<LinkRow[]> {
  const register = new LinkRegister();
  const tasks = group.pages.map((page): Task<'links'> => ({ kind: 'links', page, how }));
  for await (const { task, value } of session.results<'links'>(group, tasks, ({ page }) => page.path))
    register.addPage(task.page.path, value);
  return register.rows();
}

function tellTroubles({ whole }: Group): void {
  for (const { path, what } of whole?.troubles ?? []) process.stderr.write(`${path} ${what}\n`);
}

function imageLine({ file, uses, width, height, fileName, missing }: ImageFile): string {
  const size = width === null ? '' : `  ${width} × ${height}`;
  const said = [...new Set(uses.map(({ alt, decorative }) => (decorative ? 'decorative' : alt === null ? 'no alternative' : `“${alt}”`)))];
  const name = fileName.good ? '' : `  name says little${fileName.proposed ? `, better ${fileName.proposed}` : ''}`;
  return `${file}${missing ? '  missing' : ''}${size}  ${uses.length === 0 ? 'unused' : `used ${uses.length} ×: ${said.join(', ')}`}${name}`;
}

function linkLine({ name, to, uses, state }: LinkRow): string {
  return `“${name}”  ${to || '(no address)'}  ${state}  ${uses.length} ×, first on ${uses[0]!.page}`;
}

function placed(row: object, page: PageFile, { whole }: Group, view: ViewName): object {
  if (view !== 'pages') return whole ? { page: page.path, ...row } : row;
  const { title, ...about } = row as OnePage;
  const { scope, ...rest } = about;
  return { path: page.path, title: title || page.title, scope, contentType: contentTypeOf(page.inside, whole?.kind ?? 'site'), ...rest };
}
