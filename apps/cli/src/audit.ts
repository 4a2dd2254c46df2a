import { lookup, ENGINE_VERSION, hoursFor, ruleOf } from '@inkwell/core';
import { writeReport, type ReportedCollection, type ReportedFinding, type ReportedPage, type Trouble } from '@inkwell/formats';
import { CallError, deliverParts, oneOf, profileFrom, readCall, scopeNamed, sheetsFrom } from './call.ts';
import { Session, type Group } from './known.ts';
import { openPaths } from './pages.ts';
import type { How } from './surroundings.ts';
import type { Task } from './tasks.ts';

export const FORMATS = ['text', 'json', 'earl', 'csv', 'sarif', 'junit'] as const;

/** `inkwell audit`: every page behind the paths, for people or for programs. */
export async function auditCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, {
    profile: { type: 'string' },
    scope: { type: 'string' },
    format: { type: 'string' },
    out: { type: 'string' },
    css: { type: 'string', multiple: true },
  });
  if (positionals.length === 0) throw new CallError('audit needs a PATH: an HTML file, a folder, a package, or - for standard input');
  const format = oneOf('--format', values.format, FORMATS);
  const { profile, vocabulary } = await profileFrom(values.profile);
  const how: How = { profile, vocabulary, scope: scopeNamed(values.scope), sheets: await sheetsFrom(values.css) };
  const opened = await openPaths(positionals);
  const session = new Session(opened);
  const seen = { pages: 0, held: 0, findings: 0 };
  try {
    // A report is about one collection, or about pages.
    const whole = positionals.length === 1 ? opened.wholes[0] : undefined;
    const groups = session.groups();
    const first = await groups.next();
    const pages = counted(examineAll(session, first.done ? null : first.value, groups, how), seen);
    const troubles = () => opened.wholes.flatMap((one) => one.troubles);
    const head = { inkwell: ENGINE_VERSION, profile: { name: profile.name, standard: profile.standard, level: profile.level } };
    const about = whole && {
      title: first.done ? whole.title : first.value.title,
      kind: whole.kind,
      pages: first.done ? 0 : first.value.pages.length,
      files: whole.files.length,
    };
    const report = { ...head, ...(about ? { collection: about, troubles } : {}) };
    await deliverParts(format === 'text' ? asText(pages, seen, about, troubles) : writeReport(format, report, pages, ruleOf), values.out);
  } finally {
    await session.close();
  }
  return seen.held > 0 ? 1 : 0;
}

/** The pages of each group, one after another. */
async function* examineAll(session: Session, first: Group | null, others: AsyncIterable<Group>, how: How): AsyncGenerator<ReportedPage> {
  const examined = async function* (group: Group) {
    const tasks = group.pages.map((page): Task<'examine'> => ({ kind: 'examine', page, how }));
    for await (const { value } of session.results<'examine'>(group, tasks, ({ page }) => page.path)) yield value;
  };
  if (first) yield* examined(first);
  for await (const group of others) yield* examined(group);
}

interface Seen {
  pages: number;
  held: number;
  findings: number;
}

/** The same pages, counted as they go by. */
export async function* counted(pages: AsyncIterable<ReportedPage>, seen: Seen): AsyncGenerator<ReportedPage> {
  for await (const page of pages) {
    seen.pages++;
    if (page.verdict === 'held') seen.held++;
    seen.findings += page.findings.length;
    yield page;
  }
}

const VERDICTS = { held: 'Held', judge: 'To judge', ready: 'Ready' } as const;

const KINDS: Readonly<Record<string, string>> = { course: 'Course', site: 'Site', book: 'Book' };

export async function* asText(
  pages: AsyncIterable<ReportedPage>,
  seen: Seen,
  about: ReportedCollection | undefined,
  troubles: () => readonly Trouble[],
): AsyncGenerator<string> {
  if (about)
    yield `${lookup(KINDS, about.kind)}${about.title ? ` “${about.title}”` : ''}, ${about.pages} ${about.pages === 1 ? 'page' : 'pages'} in ${about.files} ${about.files === 1 ? 'file' : 'files'}${about.pages === 0 ? ': it holds no HTML pages' : ''}\n\n`;
  let first = true;
  for await (const page of pages) {
    yield `${first ? '' : '\n'}${pageText(page)}`;
    first = false;
  }
  for (const { path, what } of troubles()) yield `\n${path} ${what}\n`;
  const { pages: many, held, findings } = seen;
  yield `\n${many} ${many === 1 ? 'page' : 'pages'}, ${held} held, ${findings} ${findings === 1 ? 'finding' : 'findings'}, about ${hoursFor(findings)} h of work\n`;
}

function pageText({ path, title, verdict, findings, troubles = [] }: ReportedPage): string {
  const head = `${path}${title ? ` (${title})` : ''}: ${VERDICTS[verdict]}\n`;
  const failed = troubles.map(
    ({ rule, problem }) => `  The rule ${rule} failed on this page, and what it would find is not known: ${problem}\n`,
  );
  return head + findings.map(findingText).join('') + failed.join('');
}

/** Place, sentence, what stands behind it, and how to fix it. */
export function findingText(finding: ReportedFinding): string {
  const { at, weight, outcome, message, rule, criteria } = finding;
  const question = outcome === 'cantTell' ? `, a question: ${ruleOf(rule)?.question?.ask ?? ''}` : '';
  const behind = criteria.length > 0 ? criteria.join(', ') : 'common practice';
  return `  ${at.line}:${at.column}  ${weight}  ${message}\n      ${rule} · ${behind}${question}\n      ${ruleOf(rule)?.fix ?? ''}\n`;
}
