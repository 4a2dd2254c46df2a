import { lookup, escapeText, evidenceOf, OUTCOME_WORDS } from '@inkwell/core';
import { LOOK_NAMES, type ReportSaid } from './said.ts';

const text = (value: unknown) => escapeText(String(value)).replaceAll('"', '&quot;');
const row = (cells: readonly unknown[]) =>
  `<tr><th scope="row">${text(cells[0])}</th>${cells
    .slice(1)
    .map((cell) => `<td>${text(cell)}</td>`)
    .join('')}</tr>`;

function table(caption: string, heads: readonly string[], rows: readonly (readonly unknown[])[]): string {
  const head = heads.map((one) => `<th scope="col">${text(one)}</th>`).join('');
  return `<table><caption>${text(caption)}</caption><thead><tr>${head}</tr></thead><tbody>\n${rows.map(row).join('\n')}\n</tbody></table>`;
}

const facts = (pairs: readonly (readonly [string, string])[]) =>
  `<dl>${pairs.map(([name, value]) => `<dt>${text(name)}</dt><dd>${text(value)}</dd>`).join('')}</dl>`;

/**
 * A report as a page that stands alone, shaped after WCAG-EM 1.0 (W3C, Website Accessibility Conformance Evaluation Methodology): what was
 * evaluated, how it was explored and sampled, what came of each criterion, and all pages, or so many of them.
 */
export function reportHtml(said: ReportSaid, mostPages = Infinity): string {
  const title = `Accessibility report: ${said.subject.title}`;
  return `<!DOCTYPE html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${text(title)}</title>
<style>${STYLE}</style>
</head>
<body>
<main>
<h1>${text(title)}</h1>
<p>${text(summary(said))}</p>
${scopePart(said)}
${explorationPart(said)}
${samplePart(said)}
${outcomePart(said)}
${leftPart(said)}
${pagesPart(said, mostPages)}
${methodPart(said)}
</main>
</body>
</html>
`;
}

const STYLE = `body{font:1rem/1.6 Georgia,serif;color:#1b2536;background:#fff;margin:0}main{max-width:60rem;margin:0 auto;padding:1.5rem}
h1{font-size:1.9rem;line-height:1.2}h2{font-size:1.4rem;margin-top:2.2rem}
dl{display:grid;grid-template-columns:minmax(9rem,max-content) 1fr;gap:.2rem 1.2rem}
dt{font-weight:bold}dd{margin:0}
table{border-collapse:collapse;width:100%;margin-top:1rem;font-size:.95rem}caption{text-align:left;font-weight:bold;padding:.4rem 0}
th,td{text-align:left;vertical-align:top;border-top:1px solid #8a8f99;padding:.35rem .6rem .35rem 0}thead th{border-top:0}
@media(max-width:40rem){table{display:block;overflow-x:auto}dl{grid-template-columns:1fr}}
@media print{h2{break-after:avoid}tr{break-inside:avoid}}`;

const many = (count: number, one: string, more: string) => (count === 1 ? `one ${one}` : `${count.toLocaleString('en')} ${more}`);

function summary({ criteria, subject, standard, made }: ReportSaid): string {
  const of = (outcome: string) => criteria.filter((one) => one.outcome === outcome).length;
  const pages = many(subject.pages, 'page', 'pages');
  const against = `${pages} looked at against ${standard.name} ${standard.level}, as of ${made.at.slice(0, 10)}.`;
  const rest = `${of('not present')} have nothing to speak of here, nobody looked at ${of('not looked at')}`;
  const told = `${of('passed')} passed, ${of('failed')} failed, ${of('cannot tell')} cannot be told yet`;
  return `${against} Of ${criteria.length} criteria ${told}, ${rest}.`;
}

function scopePart({ subject, standard, profiles, house, made, engines }: ReportSaid): string {
  const held = profiles.map(({ name, version, pages }) => `${name}, version ${version} (${many(pages, 'page', 'pages')})`).join('; ');
  return `<h2>What was evaluated</h2>
${facts([
  ['Subject', `${subject.title}, ${subject.kind === 'page' ? 'one page' : many(subject.pages, 'page', 'pages')}`],
  ['Standard', `Web Content Accessibility Guidelines (${standard.name}), level ${standard.level}`],
  ['European standard', 'EN 301 549 V3.2.1, chapter 9, whose clauses stand beside the criteria'],
  ['House standard', held],
  ['By', `${made.by}, ${house}`],
  ['On', made.at.slice(0, 10)],
  ['Engine', `Inkwell Check ${engines.join(', ')}`],
])}`;
}

function explorationPart({ contentTypes, present, audited }: ReportSaid): string {
  const types = contentTypes.map(({ type, pages }) => `${type || 'page'} (${pages})`).join(', ');
  const held = [
    many(present.images, 'use of an image', 'uses of images'),
    many(present.links, 'link', 'links'),
    many(present.tables, 'table', 'tables'),
  ].join(', ');
  const media = many(present.media, 'piece of media or embedded content', 'pieces of media or embedded content');
  const when = audited.from ? ` Pages were audited from ${audited.from} to ${audited.to!}.` : '';
  return `<h2>What is on the pages</h2>\n<p>${text(`Content types: ${types}. They hold ${held} and ${media}.${when}`)}</p>`;
}

function samplePart({ sample, subject }: ReportSaid): string {
  const words = sample
    ? `A sample was judged: ${many(sample.structured, 'page', 'pages')} chosen for what they stand for and ${sample.random} drawn ` +
      `at random with seed ${sample.seed}, of ${sample.of}.`
    : `No sample was drawn: ${subject.pages === 1 ? 'the page was' : 'all pages were'} audited.`;
  return `<h2>Sample</h2>\n<p>${text(words)}</p>`;
}

function outcomePart({ criteria }: ReportSaid): string {
  const rows = criteria.map((one) => [
    `${one.id} ${one.title}`,
    one.level,
    one.clause ?? 'not in it',
    OUTCOME_WORDS[one.outcome],
    `${evidenceOf(one)}${one.worst.length > 0 ? ` Most on: ${one.worst.map(({ title }) => title).join('; ')}.` : ''}`,
  ]);
  return `<h2>Outcome of each criterion</h2>
${table('Criteria, their outcome and what it rests on', ['Criterion', 'Level', 'EN 301 549', 'Outcome', 'Evidence'], rows)}`;
}

function leftPart({ totals, hours, exceptions, verdicts }: ReportSaid): string {
  const open = [
    many(totals.must, 'must-fix', 'must-fixes'),
    many(totals.should, 'should-fix', 'should-fixes'),
    many(totals.consider, 'thing to consider', 'things to consider'),
    many(totals.questions, 'question', 'questions'),
  ].join(', ');
  const stands = [
    `Open: ${open}; for the theme or the host: ${totals.elsewhere}.`,
    `Fixing what is open takes some ${hours.from} to ${hours.to} hours.`,
    `Pages that are held: ${verdicts.held}; that wait for an answer: ${verdicts.judge}; that are ready: ${verdicts.ready}.`,
  ].join(' ');
  const list = exceptions.map(({ page, title, reason, until, by }) => [page, title, reason, until, by]);
  const table_ =
    list.length > 0 ? table('What is let stand for now', ['Page', 'What', 'Reason', 'Until', 'By'], list) : '<p>Nothing is let stand.</p>';
  return `<h2>What is left</h2>\n<p>${text(stands)}</p>\n${table_}`;
}

const PAGE_HEADS = ['Page', 'Address', 'Revision', 'Stands', 'Signed off', 'Looked at by people', 'Open'];

function pagesPart({ pages }: ReportSaid, most: number): string {
  const rows = pages
    .slice(0, most)
    .map((page) => [
      page.title,
      page.address,
      page.revision,
      page.release === 'draft' ? page.verdict : `${page.verdict}, ${page.release}`,
      page.signed ? `${page.signed.by}, ${page.signed.at}` : 'not signed off',
      page.looks.length > 0 ? page.looks.map((look) => lookup(LOOK_NAMES, look) ?? look).join(', ') : 'not looked at by people',
      page.must + page.should + page.consider + page.questions,
    ]);
  const some = `Here are the first ${many(most, 'page', 'pages')} of ${pages.length.toLocaleString('en')}.`;
  const elsewhere = 'All of them are in this report as a web page, as a workbook and as JSON.';
  const rest = pages.length > most ? `<p>${some} ${elsewhere}</p>\n` : '';
  return `<h2>Pages</h2>
${rest}${table('Pages, how they stand and who answers for them', PAGE_HEADS, rows)}`;
}

function methodPart({ totals }: ReportSaid): string {
  const words = [
    'The report follows the steps of WCAG-EM 1.0: scope, exploration, sample, evaluation, report.',
    'Each page is audited by rules; what rules cannot know is asked of people,',
    `who answered ${many(totals.ruled, 'question', 'questions')} here.`,
    `Of what was found, ${totals.fixed} is fixed, each verified by a later audit.`,
    'A criterion passes where the audit, with its questions answered, sees all that still content can fail, or where a person judged it;',
    'what is let stand counts as failed. What nobody looked at is said to be not looked at.',
  ].join(' ');
  return `<h2>Method</h2>\n<p>${text(words)}</p>`;
}
