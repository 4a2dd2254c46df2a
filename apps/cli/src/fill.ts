import { alternativeEdit, applyEdits, type Edit, type Page } from '@inkwell/core';
import { mendFile, type MendedText } from '@inkwell/formats';
import { CallError, readCall } from './call.ts';
import { openPaths, PageTrouble, type PageFile, type Whole } from './pages.ts';
import { SHEET } from './registers.ts';
import { readSheet } from './sheets.ts';
import { openPage } from './surroundings.ts';
import { inPlaceOrder, refuseOut, writeWhole, type Rewritten } from './write.ts';

type Row = Record<(typeof SHEET)[number], string>;

/** `inkwell fill`: takes an images sheet that was filled in elsewhere. A row whose page has changed since is named and left. */
export async function fillCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, { from: { type: 'string' }, out: { type: 'string' } });
  if (positionals.length !== 1) throw new CallError('fill needs one PACKAGE: a folder or a package');
  if (values.from === undefined) throw new CallError('fill needs --from FILE.csv, as inspect --view images --format csv writes it');
  const opened = await openPaths(positionals);
  const whole = opened.wholes[0];
  if (!whole) throw new CallError(`${positionals[0]} is one page; name a folder or a package`);
  const rows = (await readSheet(values.from, SHEET)).filter(isAnswer);
  if (values.out !== undefined) await refuseOut(whole, values.out);
  const told = { filled: 0, left: [] as string[] };
  const known = new Set(opened.pages.map(({ path }) => path));
  for (const row of rows) if (!known.has(row.page)) told.left.push(`${row.page} is not in ${whole.root} (${row.file})`);
  await writeWhole(whole, values.out, filled(whole, opened.pages, rows, told));
  for (const line of told.left) process.stderr.write(`${line}\n`);
  process.stderr.write(`${told.filled} filled in, ${told.left.length} left as they are\n`);
  return told.left.length > 0 ? 2 : 0;
}

/** A row in which somebody said something: words, or that the image only decorates. */
function isAnswer({ alternative, decorative }: Row): boolean {
  return alternative.trim() !== '' || decorative.trim().toLowerCase() === 'yes';
}

async function* filled(
  whole: Whole,
  pages: readonly PageFile[],
  rows: readonly Row[],
  told: { filled: number; left: string[] },
): AsyncGenerator<Rewritten> {
  const byPage = new Map<string, Row[]>();
  for (const row of rows) byPage.set(row.page, [...(byPage.get(row.page) ?? []), row]);
  for (const file of inPlaceOrder(whole.files)) {
    const own = pages.filter(({ path }) => byPage.has(path) && (path === file.path || path.startsWith(`${file.path}#`)));
    const texts: MendedText[] = [];
    let bytes: Uint8Array | null = null;
    for (const page of own) {
      try {
        const { page: parsed, read } = await openPage(page, {});
        bytes = read.bytes;
        const after = withAlternatives(parsed, page.path, byPage.get(page.path)!, told);
        if (after !== parsed.source) texts.push({ inside: page.inside, before: parsed.source, after });
      } catch (error) {
        if (!(error instanceof PageTrouble)) throw error;
        told.left.push(`${page.path} ${error.message}`);
      }
    }
    if (bytes === null || texts.length === 0) continue;
    const result = mendFile(bytes, texts);
    if (result.ok) yield { file, bytes: result.bytes };
    else told.left.push(`${file.path} ${result.why}`);
  }
}

function withAlternatives(page: Page, address: string, rows: readonly Row[], told: { filled: number; left: string[] }): string {
  const edits: Edit[] = [];
  for (const { path, file, alternative, decorative } of rows) {
    const words = decorative.trim().toLowerCase() === 'yes' ? '' : alternative.trim();
    const edit = alternativeEdit(page, address, { path, file, alternative: words });
    if (edit === 'gone') told.left.push(`${address} no longer shows ${file} at ${path}`);
    else if (edit) edits.push(edit);
    if (edit !== 'gone') told.filled++;
  }
  return applyEdits(page.source, edits);
}
