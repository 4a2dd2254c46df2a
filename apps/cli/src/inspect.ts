import {
  inspectColours,
  inspectImages,
  inspectLinks,
  inspectLists,
  inspectNames,
  inspectOutline,
  inspectTables,
  isNamedXhtml,
  parsePage,
  speakPage,
  type Page,
} from '@inkwell/core';
import { CallError, oneOf, readCall, scopeNamed, sheetsFrom } from './call.ts';
import { pageAt, readPage } from './pages.ts';
import { surroundingsOf } from './surroundings.ts';

interface View {
  rows(page: Page): readonly object[];
  /** One row as a line for people. */
  line(row: never): string;
}

const view = <T extends object>(rows: (page: Page) => readonly T[], line: (row: T) => string): View => ({
  rows,
  line: line as (row: never) => string,
});

const VIEWS: Readonly<Record<string, View>> = {
  outline: view(inspectOutline, (row) => `${'  '.repeat(Math.max(0, row.level - 1))}${row.level}  ${row.text || '(blank)'}`),
  names: view(
    inspectNames,
    (row) =>
      `${row.role}${row.level ? ` ${row.level}` : ''}  “${row.name}”${row.description ? `  described as “${row.description}”` : ''}  ${row.path}`,
  ),
  colours: view(
    inspectColours,
    (row) =>
      `${row.ratio.toFixed(2)} to 1${row.ratio < row.required ? `, ${row.required} needed` : ''}${row.certain ? '' : ', not certain'}  ${row.color} on ${row.background}, ${row.fontSizePx} px, ${row.fontWeight}  “${row.text.trim().slice(0, 50)}”`,
  ),
  tables: view(
    inspectTables,
    (row) => `${row.use}  ${row.rows} rows, ${row.columns} columns  ${row.caption ? `“${row.caption}”` : 'no caption'}  ${row.path}`,
  ),
  lists: view(inspectLists, (row) => `${'  '.repeat(row.depth)}${row.kind}, ${row.items} items${row.typed ? ', typed' : ''}  ${row.path}`),
  links: view(
    inspectLinks,
    (row) =>
      `“${row.name}”  ${row.href || '(no address)'}${row.newWindow ? ', new window' : ''}${row.problems.length > 0 ? `  ${row.problems.join(', ')}` : ''}`,
  ),
  images: view(
    inspectImages,
    (row) => `${row.fileName || '(no file)'}  ${row.decorative ? 'decorative' : row.alt === null ? 'no alternative' : `“${row.alt}”`}`,
  ),
  spoken: view(speakPage, (row) => row.says),
};

/** `inkwell inspect`: what the engine knows of one page. */
export async function inspectCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, {
    view: { type: 'string' },
    json: { type: 'boolean' },
    scope: { type: 'string' },
    css: { type: 'string', multiple: true },
  });
  if (positionals.length !== 1) throw new CallError('inspect needs one FILE, or - for standard input');
  if (values.view === undefined) throw new CallError(`inspect needs --view: ${Object.keys(VIEWS).join(', ')}`);
  const { rows, line } = VIEWS[oneOf('--view', values.view, Object.keys(VIEWS))]!;
  const file = await pageAt(positionals[0]!);
  const scope = scopeNamed(values.scope);
  const page = parsePage(await readPage(file), {
    xhtml: isNamedXhtml(file.path),
    ...(scope ? { scope } : {}),
    surroundings: surroundingsOf(file.file, file.path, null, await sheetsFrom(values.css)),
  });
  const found = rows(page);
  process.stdout.write(values.json ? `${JSON.stringify(found, null, 2)}\n` : found.map((row) => `${line(row as never)}\n`).join(''));
  return 0;
}
