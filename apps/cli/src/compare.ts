import {
  auditPage,
  changeBetween,
  compareAudits,
  parsePage,
  reported,
  selectFindings,
  verdictOf,
  type Neighbours,
  type Page,
} from '@inkwell/core';
import type { ReportedFinding } from '@inkwell/formats';
import { findingText } from './audit.ts';
import { CallError, profileFrom, readCall, scopeNamed } from './call.ts';
import { Session } from './known.ts';
import { openPaths, PageTrouble, type Opened, type PageFile } from './pages.ts';
import { openPage, type How } from './surroundings.ts';

interface Compared {
  path: string;
  fixed: ReportedFinding[];
  kept: { old: ReportedFinding; new: ReportedFinding }[];
  new: ReportedFinding[];
  held: boolean;
}

/** `inkwell compare`: what a new version fixed, kept and brought. */
export async function compareCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, { profile: { type: 'string' }, scope: { type: 'string' }, json: { type: 'boolean' } });
  const [old, fresh] = positionals;
  if (old === undefined || fresh === undefined || positionals.length > 2) throw new CallError('compare needs two paths: OLD and NEW');
  const how: How = { ...(await profileFrom(values.profile)), scope: scopeNamed(values.scope), sheets: [] };
  const results: Compared[] = [];
  const [before, after] = [await openPaths([old]), await openPaths([fresh])];
  const whole = before.wholes.length > 0;
  if (whole !== after.wholes.length > 0)
    throw new CallError(
      `${old} and ${fresh} are a ${(before.wholes[0] ?? after.wholes[0])!.directory ? 'package' : 'folder'} and a page; compare two of a kind`,
    );
  for await (const pair of pairsOf(before, after, how)) results.push(compareOne(pair, how));
  process.stdout.write(values.json ? asJson(results, whole) : results.map(asText).join('\n'));
  return results.some((result) => result.held) ? 1 : 0;
}

/** A page of one version and its counterpart in the other, by name; one that is only in one version has nothing beside it. */
interface Pair {
  path: string;
  old: Page | null;
  fresh: Page | null;
}

async function* pairsOf(before: Opened, after: Opened, how: How): AsyncGenerator<Pair> {
  if (before.wholes.length === 0) {
    const [old, fresh] = [before.pages[0]!, after.pages[0]!];
    yield { path: fresh.path, old: await openAt(old, how, null), fresh: await openAt(fresh, how, null) };
    return;
  }
  const [then, now] = [await knownIn(before), await knownIn(after)];
  const paths = [...new Set([...then.pages.keys(), ...now.pages.keys()])].sort();
  for (const path of paths) {
    const [one, other] = [then.pages.get(path), now.pages.get(path)];
    yield {
      path,
      old: one ? await openAt(one, how, then.neighbours) : null,
      fresh: other ? await openAt(other, how, now.neighbours) : null,
    };
  }
}

/** The readable pages of a collection by path, and what they know of one another. */
async function knownIn(opened: Opened): Promise<{ pages: Map<string, PageFile>; neighbours: Neighbours | null }> {
  const session = new Session(opened);
  try {
    for await (const group of session.groups()) {
      for (const { path, what } of group.whole!.troubles) process.stderr.write(`${path} ${what}\n`);
      return { pages: new Map(group.pages.map((page) => [page.path, page])), neighbours: group.neighbours };
    }
    return { pages: new Map(), neighbours: null };
  } finally {
    await session.close();
  }
}

async function openAt(file: PageFile, how: How, neighbours: Neighbours | null): Promise<Page> {
  try {
    return (await openPage(file, how, neighbours)).page;
  } catch (error) {
    if (error instanceof PageTrouble) throw new CallError(`${file.path} ${error.message}`);
    throw error;
  }
}

function compareOne({ path, old, fresh }: Pair, { profile, scope }: How): Compared {
  const nothing = () => parsePage('', { scope: scope ?? 'fragment' });
  const [before, after] = [old ?? nothing(), fresh ?? nothing()];
  const compared = compareAudits(
    selectFindings(auditPage(before).findings, profile),
    selectFindings(auditPage(after).findings, profile),
    old && fresh ? changeBetween(before.source, after.source) : undefined,
    { before: before.source, after: after.source },
  );
  return {
    path,
    fixed: compared.fixed.map((finding) => reported(finding)),
    kept: compared.kept.map((pair) => ({ old: reported(pair.old), new: reported(pair.new) })),
    new: compared.new.map((finding) => reported(finding)),
    held: verdictOf([...compared.kept.map((pair) => pair.new), ...compared.new], profile) === 'held',
  };
}

/** Findings of folders and packages say which page they are on. */
function asJson(results: readonly Compared[], whole: boolean): string {
  const on = (path: string, finding: ReportedFinding) => (whole ? { page: path, ...finding } : finding);
  const all = {
    fixed: results.flatMap(({ path, fixed }) => fixed.map((one) => on(path, one))),
    kept: results.flatMap(({ path, kept }) => kept.map((pair) => ({ old: on(path, pair.old), new: on(path, pair.new) }))),
    new: results.flatMap(({ path, new: brought }) => brought.map((one) => on(path, one))),
  };
  return `${JSON.stringify(all, null, 2)}\n`;
}

function asText({ path, fixed, kept, new: brought }: Compared): string {
  const part = (title: string, findings: readonly ReportedFinding[]) =>
    findings.length > 0 ? `${title}\n${findings.map(findingText).join('')}` : '';
  return `${path}: ${fixed.length} fixed, ${kept.length} kept, ${brought.length} new\n${part('fixed', fixed)}${part(
    'kept',
    kept.map((pair) => pair.new),
  )}${part('new', brought)}`;
}
