import {
  auditPage,
  changeBetween,
  compareAudits,
  isNamedXhtml,
  parsePage,
  selectFindings,
  verdictOf,
  type Page,
  type Profile,
  type Scope,
} from '@inkwell/core';
import type { ReportedFinding } from '@inkwell/formats';
import { CallError, profileFrom, readCall, scopeNamed } from './call.ts';
import { reported } from './examine.ts';
import { surroundingsOf } from './surroundings.ts';
import { findingText } from './audit.ts';
import { isFolder, pagesBehind, readPage, type PageFile } from './pages.ts';

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
  const profile = await profileFrom(values.profile);
  const pairs = await pairsOf(old, fresh);
  const results: Compared[] = [];
  for (const pair of pairs) results.push(await compareOne(pair, profile, scopeNamed(values.scope)));
  process.stdout.write(values.json ? asJson(results) : results.map(asText).join('\n'));
  return results.some((result) => result.held) ? 1 : 0;
}

interface Pair {
  path: string;
  old: PageFile | null;
  fresh: PageFile | null;
}

/** Two pages, or the pages of two folders by name; one that is only in one folder has nothing beside it. */
async function pairsOf(old: string, fresh: string): Promise<Pair[]> {
  const folders = [old, fresh].map((path) => path !== '-' && isFolder(path));
  const [oldIsFolder, freshIsFolder] = await Promise.all(folders);
  if (oldIsFolder !== freshIsFolder) throw new CallError(`${old} and ${fresh} are a folder and a page; compare two of a kind`);
  const before = await pagesBehind([old]);
  const after = await pagesBehind([fresh]);
  if (!oldIsFolder) return [{ path: fresh, old: before[0]!, fresh: after[0]! }];
  const paths = [...new Set([...before, ...after].map((page) => page.path))].sort();
  return paths.map((path) => ({
    path,
    old: before.find((page) => page.path === path) ?? null,
    fresh: after.find((page) => page.path === path) ?? null,
  }));
}

async function compareOne({ path, old, fresh }: Pair, profile: Profile, scope: Scope | undefined): Promise<Compared> {
  const [before, after] = [await open(old, scope), await open(fresh, scope)];
  const compared = compareAudits(
    selectFindings(auditPage(before).findings, profile),
    selectFindings(auditPage(after).findings, profile),
    old && fresh ? changeBetween(before.source, after.source) : undefined,
    { before: before.source, after: after.source },
  );
  return {
    path,
    fixed: compared.fixed.map((finding) => reported(before, finding)),
    kept: compared.kept.map((pair) => ({ old: reported(before, pair.old), new: reported(after, pair.new) })),
    new: compared.new.map((finding) => reported(after, finding)),
    held: verdictOf([...compared.kept.map((pair) => pair.new), ...compared.new], profile) === 'held',
  };
}

async function open(file: PageFile | null, scope: Scope | undefined): Promise<Page> {
  if (!file) return parsePage('', { scope: scope ?? 'fragment' });
  return parsePage(await readPage(file), {
    xhtml: isNamedXhtml(file.path),
    ...(scope ? { scope } : {}),
    surroundings: surroundingsOf(file.file, file.path, null, []),
  });
}

function asJson(results: readonly Compared[]): string {
  const all = {
    fixed: results.flatMap((one) => one.fixed),
    kept: results.flatMap((one) => one.kept),
    new: results.flatMap((one) => one.new),
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
