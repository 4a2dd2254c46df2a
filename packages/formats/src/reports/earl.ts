import type { Report, ReportedFinding, ReportedPage, RuleTexts } from './report.ts';

const CONTEXT = {
  earl: 'http://www.w3.org/ns/earl#',
  dct: 'http://purl.org/dc/terms/',
  ptr: 'http://www.w3.org/2009/pointers#',
  doap: 'http://usefulinc.com/ns/doap#',
};
const ENGINE = 'urn:inkwell:engine';

/** W3C EARL 1.0 as JSON-LD: an assertion for each finding, and one that a page passed for each page with none. */
export function toEarl(report: Report, texts: RuleTexts): string {
  const rules = new Set(report.pages.flatMap((page) => page.findings.map((finding) => finding.rule)));
  const graph = [
    { '@id': ENGINE, '@type': ['earl:Assertor', 'earl:Software'], 'dct:title': 'Inkwell Check', 'doap:revision': report.inkwell },
    {
      '@id': 'urn:inkwell:profile',
      '@type': 'earl:TestRequirement',
      'dct:title': `${report.profile.standard} ${report.profile.level} (${report.profile.name})`,
    },
    ...[...rules].sort().map((rule) => ({
      '@id': ruleId(rule),
      '@type': 'earl:TestCase',
      'dct:title': texts(rule)?.title ?? rule,
      'dct:description': texts(rule)?.why ?? '',
      'dct:isPartOf': { '@id': 'urn:inkwell:profile' },
    })),
    ...report.pages.flatMap((page, i) => [subjectOf(page, i), ...assertionsOn(page, i)]),
  ];
  return `${JSON.stringify({ '@context': CONTEXT, '@graph': graph }, null, 2)}\n`;
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
