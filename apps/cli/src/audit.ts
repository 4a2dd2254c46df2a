import { ENGINE_VERSION, hoursFor, ruleOf } from '@inkwell/core';
import { CallError, deliver, oneOf, profileNamed, readCall, scopeNamed } from './call.ts';
import type { ReportedFinding, ReportedPage } from './examine.ts';
import { pagesBehind } from './pages.ts';
import { examineAll } from './pool.ts';

/** `inkwell audit`: every page behind the paths, as text or JSON. */
export async function auditCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, { profile: { type: 'string' }, scope: { type: 'string' }, format: { type: 'string' }, out: { type: 'string' } });
  if (positionals.length === 0) throw new CallError('audit needs a PATH: an HTML file, a folder, or - for standard input');
  const format = oneOf('--format', values.format, ['text', 'json']);
  const profile = profileNamed(values.profile);
  const pages = await examineAll(await pagesBehind(positionals), profile, scopeNamed(values.scope));
  const { name, standard, level } = profile;
  await deliver(format === 'json' ? `${JSON.stringify({ inkwell: ENGINE_VERSION, profile: { name, standard, level }, pages }, null, 2)}\n` : asText(pages), values.out);
  return pages.some((page) => page.verdict === 'held') ? 1 : 0;
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

/** Place, sentence, what stands behind it, and how to mend it. */
export function findingText(finding: ReportedFinding): string {
  const { at, weight, outcome, message, rule, criteria } = finding;
  const question = outcome === 'cantTell' ? `, a question: ${ruleOf(rule)?.question?.ask ?? ''}` : '';
  return `  ${at.line}:${at.column}  ${weight}  ${message}\n      ${rule} · ${criteria.join(', ')}${question}\n      ${ruleOf(rule)?.fix ?? ''}\n`;
}
