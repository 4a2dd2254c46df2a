import { applyEdits, isNamedXhtml, parsePage, renameInStyles, renameInXml, renameOnPage, type Edit, type Renames } from '@inkwell/core';
import {
  decodeHtml,
  leadsOutside,
  mendFile,
  pagesInXml,
  readPlace,
  toCsvTable,
  UnreadableEntry,
  type MendedText,
  type SourceFile,
} from '@inkwell/formats';
import { CallError, deliver, profileFrom, readCall } from './call.ts';
import { imagesIn } from './inspect.ts';
import { Session } from './known.ts';
import { openPaths, type Whole } from './pages.ts';
import { readSheet } from './sheets.ts';
import { inPlaceOrder, refuseOut, writeWhole, type Rewritten } from './write.ts';

/** `inkwell rename`: proposes names for images that say nothing, or gives files new names and lets every reference follow. */
export async function renameCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, {
    map: { type: 'string' },
    propose: { type: 'boolean' },
    out: { type: 'string' },
    redirects: { type: 'string' },
  });
  if (positionals.length !== 1) throw new CallError('rename needs one PACKAGE: a folder or a package');
  const opened = await openPaths(positionals);
  const whole = opened.wholes[0];
  if (!whole) throw new CallError(`${positionals[0]} is one page; name a folder or a package`);
  if (values.propose) {
    await deliver(mapOf(await proposals(opened)), values.out);
    return 0;
  }
  if (values.map === undefined) throw new CallError('rename needs --map FILE.csv, or --propose to have one made');
  const renames = await renamesFrom(values.map, whole);
  if (values.out !== undefined) await refuseOut(whole, values.out);
  const troubles: string[] = [];
  const seen = { files: 0 };
  await writeWhole(whole, values.out, rewritten(whole, renames, troubles, seen));
  if (values.redirects !== undefined)
    await deliver(mapOf(new Map([...renames].map(([old, now]) => [onSite(old), onSite(now)]))), values.redirects);
  for (const trouble of troubles) process.stderr.write(`${trouble}\n`);
  process.stderr.write(
    `${renames.size} renamed; references in ${seen.files} ${seen.files === 1 ? 'file' : 'files'} follow${values.out === undefined ? ', once there is an --out' : ''}\n`,
  );
  return 0;
}

function mapOf(names: Renames): string {
  return toCsvTable(
    [...names].map(([old, now]) => ({ old, new: now })),
    ['old', 'new'],
  );
}

const onSite = (path: string) => `/${path.split('/').map(encodeURIComponent).join('/')}`;

async function proposals(opened: Awaited<ReturnType<typeof openPaths>>): Promise<Map<string, string>> {
  const session = new Session(opened);
  try {
    const next = await session.groups().next();
    if (next.done) return new Map();
    const how = { ...(await profileFrom(undefined)), scope: undefined, sheets: [] };
    const rows = await imagesIn(session, next.value, how);
    return new Map(
      rows.flatMap(({ file, fileName, borrowed, missing }) =>
        fileName.proposed !== null && !borrowed && !missing ? [[file, file.slice(0, file.lastIndexOf('/') + 1) + fileName.proposed]] : [],
      ),
    );
  } finally {
    await session.close();
  }
}

/** A map of names, refused whole when any of it cannot be done. */
async function renamesFrom(file: string, whole: Whole): Promise<Map<string, string>> {
  const there = new Set(whole.files.map(({ path }) => path));
  const renames = new Map<string, string>();
  const targets = new Set<string>();
  const refuse = (what: string) => new CallError(`${file}: ${what}; nothing was renamed`);
  for (const { old, new: now } of await readSheet(file, ['old', 'new'])) {
    if (!there.has(old)) throw refuse(`${old} is not in ${whole.root}`);
    if (now === '' || now.endsWith('/') || leadsOutside(now)) throw refuse(`“${now}” is no name inside the package`);
    if (there.has(now)) throw refuse(`${now} is there already`);
    if (targets.has(now) || renames.has(old)) throw refuse(`${targets.has(now) ? now : old} is named twice`);
    renames.set(old, now);
    targets.add(now);
  }
  return renames;
}

/** Longest file that is looked through for references, in bytes. */
const LONGEST = 20 * 1024 * 1024;

/** Each file that has another name, or that refers to one that has. */
async function* rewritten(whole: Whole, renames: Renames, troubles: string[], seen: { files: number }): AsyncGenerator<Rewritten> {
  const pages = new Set(whole.pages.filter(({ inside }) => inside === null).map(({ path }) => path));
  for (const file of inPlaceOrder(whole.files)) {
    const name = renames.get(file.path);
    const bytes = await followed(file, pages.has(file.path), renames, troubles);
    if (bytes) seen.files++;
    if (bytes || name !== undefined) yield { file, bytes, ...(name === undefined ? {} : { name }) };
  }
}

/** A file's bytes once its references have followed; null when it has none to follow. */
async function followed(file: SourceFile, isPage: boolean, renames: Renames, troubles: string[]): Promise<Uint8Array | null> {
  if (!isPage && !/\.(?:css|svg|xml|opf|ncx|x?html?|xht)$/i.test(file.path)) return null;
  try {
    const bytes = await readPlace(file.place, LONGEST);
    const read = decodeHtml(bytes);
    if (!read.ok) return null;
    const texts = textsOf(file.path, read.text, renames);
    if (texts.length === 0) return null;
    const result = mendFile(bytes, texts);
    if (result.ok) return result.bytes;
    troubles.push(`${file.path} ${result.why}`);
  } catch (error) {
    if (!(error instanceof UnreadableEntry)) throw error;
    troubles.push(`${file.path} ${error.message}`);
  }
  return null;
}

function textsOf(path: string, text: string, renames: Renames): MendedText[] {
  if (/\.(?:x?html?|xht)$/i.test(path)) {
    const page = parsePage(text, { xhtml: isNamedXhtml(path) });
    return changed(null, text, renameOnPage(page, path, renames));
  }
  if (/\.css$/i.test(path)) return changed(null, text, renameInStyles(text, path, renames));
  const inside = pagesInXml(text);
  const pages = inside.flatMap(({ path: at, html }) => changed(at, html, renameOnPage(parsePage(html), `${path}#${at}`, renames)));
  // What stands in the HTML was seen to as HTML.
  const stretches = inside.flatMap((one) => one.stretches);
  const around = renameInXml(text, path, renames).filter(
    (edit) => !stretches.some(({ start, end }) => edit.start < end && edit.end > start),
  );
  return [...pages, ...changed(null, text, around)];
}

function changed(inside: string | null, before: string, edits: readonly Edit[]): MendedText[] {
  return edits.length === 0 ? [] : [{ inside, before, after: applyEdits(before, edits) }];
}
