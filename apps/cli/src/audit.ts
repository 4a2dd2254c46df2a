import { ENGINE_VERSION, hoursFor, ruleOf } from '@inkwell/core';
import { toCsv, toEarl, toJunit, toSarif, type Report, type ReportedFinding, type ReportedPage } from '@inkwell/formats';
import { CallError, deliver, oneOf, profileFrom, readCall, scopeNamed, sheetsFrom } from './call.ts';
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
  const pages = await examineAll(await pagesBehind(positionals), {
    profile,
    scope: scopeNamed(values.scope),
    sheets: await sheetsFrom(values.css),
  });
  const { name, standard, level } = profile;
  await deliver(written({ inkwell: ENGINE_VERSION, profile: { name, standard, level }, pages }, format), values.out);
  return pages.some((page) => page.verdict === 'held') ? 1 : 0;
}

function written(report: Report, format: (typeof FORMATS)[number]): string {
  switch (format) {
    case 'text':
      return asText(report.pages);
    case 'json':
      return `${JSON.stringify(report, null, 2)}\n`;
    case 'earl':
      return toEarl(report, ruleOf);
    case 'csv':
      return toCsv(report);
    case 'sarif':
      return toSarif(report, ruleOf);
    case 'junit':
      return toJunit(report);
  }
}

const VERDICTS = { held: 'Held', judge: 'Judge', ready: 'Ready' } as const;

function asText(pages: readonly ReportedPage[]): string {
  const total = pages.reduce((sum, page) => sum + page.findings.length, 0);
  const held = pages.filter((page) => page.verdict === 'held').length;
  const summary = `${pages.length} ${pages.length === 1 ? 'page' : 'pages'}, ${held} held, ${total} ${total === 1 ? 'finding' : 'findings'}, about ${hoursFor(total)} h of work\n`;
  return `${pages.map(pageText).join('\n')}\n${summary}`;
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
