import { toCsvTable } from '@inkwell/formats';
import { CallError, oneOf, profileFrom, readCall, scopeNamed, sheetsFrom } from './call.ts';
import { Session, type Group } from './known.ts';
import { openPaths, type PageFile } from './pages.ts';
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
  const how: How = { profile: await profileFrom(values.profile), scope: scopeNamed(values.scope), sheets: await sheetsFrom(values.css) };
  const rows = await rowsOf(positionals[0]!, view, how);
  if (format === 'json') process.stdout.write(`${JSON.stringify(rows, null, 2)}\n`);
  else if (format === 'csv') process.stdout.write(toCsvTable(rows));
  else
    for (const row of rows)
      process.stdout.write(`${'page' in row && view !== 'pages' ? `${String(row.page)}: ` : ''}${viewLine(view, row)}\n`);
  return 0;
}

/** The rows of one page; of a package those of all pages, each with its page. */
async function rowsOf(path: string, view: ViewName, how: How): Promise<object[]> {
  const session = new Session(await openPaths([path]));
  const rows: object[] = [];
  try {
    for await (const group of session.groups()) {
      const tasks = group.pages.map((page): Task<'view'> => ({ kind: 'view', page, how, view }));
      for await (const { task, value } of session.results<'view'>(group, tasks, ({ page }) => page.path))
        for (const row of value) rows.push(placed(row, task.page, group, view));
      for (const { path: where, what } of group.whole?.troubles ?? []) process.stderr.write(`${where} ${what}\n`);
    }
  } finally {
    await session.close();
  }
  return rows;
}

function placed(row: object, page: PageFile, { whole }: Group, view: ViewName): object {
  if (view !== 'pages') return whole ? { page: page.path, ...row } : row;
  const { title, ...about } = row as OnePage;
  const { scope, ...rest } = about;
  return { path: page.path, title: title || page.title, scope, contentType: contentTypeOf(page, whole?.kind), ...rest };
}

const KINDS: Readonly<Record<string, string>> = { course: 'lesson', book: 'chapter', site: 'article' };

/** What sort of page it most likely is, by where it lies. */
export function contentTypeOf({ inside }: PageFile, kind: string | undefined): string {
  const holder = /^\/(\w+)/.exec(inside ?? '')?.[1];
  if (holder === 'topic') return 'discussion';
  if (holder === 'assignment') return 'assignment';
  return holder === undefined ? (KINDS[kind ?? 'site'] ?? 'article') : 'question';
}
