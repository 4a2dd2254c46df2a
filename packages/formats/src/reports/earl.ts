import { list } from './list.ts';
import type { ReportedFinding, ReportedPage, ReportHead, RuleTexts } from './report.ts';

const CONTEXT = {
  earl: 'http://www.w3.org/ns/earl#',
  dct: 'http://purl.org/dc/terms/',
  ptr: 'http://www.w3.org/2009/pointers#',
  doap: 'http://usefulinc.com/ns/doap#',
};
const ENGINE = 'urn:inkwell:engine';

/** W3C EARL 1.0 as JSON-LD: an assertion for each finding, and one that a page passed for each page with none. */
export async function* toEarl(
  { inkwell, profile }: ReportHead,
  pages: AsyncIterable<ReportedPage>,
  texts: RuleTexts,
): AsyncGenerator<string> {
  const title = `${profile.standard} ${profile.level} (${profile.name})`;
  const known = [
    { '@id': ENGINE, '@type': ['earl:Assertor', 'earl:Software'], 'dct:title': 'Inkwell Check', 'doap:revision': inkwell },
    { '@id': 'urn:inkwell:profile', '@type': 'earl:TestRequirement', 'dct:title': title },
  ];
  const rules = new Set<string>();
  yield `{\n  "@context": ${JSON.stringify(CONTEXT)},\n  "@graph": `;
  yield* list(withLast(pages), 4, (page, nth) => {
    // The rules that were met are told last.
    if (page === null) return [...rules].sort().map((rule) => testCaseOf(rule, texts));
    for (const finding of page.findings) rules.add(finding.rule);
    return [...(nth === 0 ? known : []), subjectOf(page, nth), ...assertionsOn(page, nth)];
  });
  yield '\n}\n';
}

/** The pages, and a null behind them. */
async function* withLast(pages: AsyncIterable<ReportedPage>): AsyncGenerator<ReportedPage | null> {
  yield* pages;
  yield null;
}

function testCaseOf(rule: string, texts: RuleTexts) {
  return {
    '@id': ruleId(rule),
    '@type': 'earl:TestCase',
    'dct:title': texts(rule)?.title ?? rule,
    'dct:description': texts(rule)?.why ?? '',
    'dct:isPartOf': { '@id': 'urn:inkwell:profile' },
  };
}

const ruleId = (rule: string) => `urn:inkwell:rule:${rule}`;
const pageId = (i: number) => `urn:inkwell:page:${i + 1}`;

function subjectOf(page: ReportedPage, i: number) {
  return { '@id': pageId(i), '@type': 'earl:TestSubject', 'dct:title': page.title || page.path, 'dct:source': page.path };
}

function assertionsOn(page: ReportedPage, i: number) {
  const shared = {
    '@type': 'earl:Assertion',
    'earl:assertedBy': { '@id': ENGINE },
    'earl:subject': { '@id': pageId(i) },
    'earl:mode': { '@id': 'earl:automatic' },
  };
  if (page.findings.length === 0)
    return [
      {
        ...shared,
        'earl:test': { '@id': 'urn:inkwell:profile' },
        'earl:result': { '@type': 'earl:TestResult', 'earl:outcome': { '@id': 'earl:passed' } },
      },
    ];
  return page.findings.map((finding) => ({ ...shared, 'earl:test': { '@id': ruleId(finding.rule) }, 'earl:result': resultOf(finding) }));
}

function resultOf(finding: ReportedFinding) {
  return {
    '@type': 'earl:TestResult',
    'earl:outcome': { '@id': `earl:${finding.outcome}` },
    'dct:description': finding.message,
    'dct:identifier': finding.fingerprint,
    'earl:pointer': {
      '@type': 'ptr:LineCharPointer',
      'ptr:lineNumber': finding.at.line,
      'ptr:charNumber': finding.at.column,
      'dct:source': finding.at.path,
    },
  };
}
