import { ENGINE_VERSION, hoursFor, ruleOf } from '@inkwell/core';
import { writeReport, type ReportedFinding, type ReportedPage } from '@inkwell/formats';
import { CallError, deliverParts, oneOf, profileFrom, readCall, scopeNamed, sheetsFrom } from './call.ts';
import { pagesBehind } from './pages.ts';
import { examineAll } from './pool.ts';

const FORMATS = ['text', 'json', 'earl', 'csv', 'sarif', 'junit'] as const;

/** `inkwell audit`: every page behind the paths, for people or for programs. */
export async function auditCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, {
    profile: { type: 'string' },
    scope: { type: 'string' },
    format: { type: 'string' },
    out: { type: 'string' },
    css: { type: 'string', multiple: true },
  });
  if (positionals.length === 0) throw new CallError('audit needs a PATH: an HTML file, a folder, or - for standard input');
  const format = oneOf('--format', values.format, FORMATS);
  const profile = await profileFrom(values.profile);
  const how = { profile, scope: scopeNamed(values.scope), sheets: await sheetsFrom(values.css) };
  const seen = { pages: 0, held: 0, findings: 0 };
  const pages = counted(examineAll(await pagesBehind(positionals), how), seen);
  const head = { inkwell: ENGINE_VERSION, profile: { name: profile.name, standard: profile.standard, level: profile.level } };
  await deliverParts(format === 'text' ? asText(pages, seen) : writeReport(format, head, pages, ruleOf), values.out);
  return seen.held > 0 ? 1 : 0;
}

interface Seen {
  pages: number;
  held: number;
  findings: number;
}

/** The same pages, counted as they go by. */
async function* counted(pages: AsyncIterable<ReportedPage>, seen: Seen): AsyncGenerator<ReportedPage> {
  for await (const page of pages) {
    seen.pages++;
    if (page.verdict === 'held') seen.held++;
    seen.findings += page.findings.length;
    yield page;
  }
}

const VERDICTS = { held: 'Held', judge: 'To judge', ready: 'Ready' } as const;

async function* asText(pages: AsyncIterable<ReportedPage>, seen: Seen): AsyncGenerator<string> {
  let first = true;
  for await (const page of pages) {
    yield `${first ? '' : '\n'}${pageText(page)}`;
    first = false;
  }
  const { pages: many, held, findings } = seen;
  yield `\n${many} ${many === 1 ? 'page' : 'pages'}, ${held} held, ${findings} ${findings === 1 ? 'finding' : 'findings'}, about ${hoursFor(findings)} h of work\n`;
}

function pageText({ path, title, verdict, findings }: ReportedPage): string {
  const head = `${path}${title ? ` (${title})` : ''}: ${VERDICTS[verdict]}\n`;
  return head + findings.map(findingText).join('');
}

/** Place, sentence, what stands behind it, and how to fix it. */
export function findingText(finding: ReportedFinding): string {
  const { at, weight, outcome, message, rule, criteria } = finding;
  const question = outcome === 'cantTell' ? `, a question: ${ruleOf(rule)?.question?.ask ?? ''}` : '';
  const behind = criteria.length > 0 ? criteria.join(', ') : 'common practice';
  return `  ${at.line}:${at.column}  ${weight}  ${message}\n      ${rule} · ${behind}${question}\n      ${ruleOf(rule)?.fix ?? ''}\n`;
}
