import { evidenceOf } from '@inkwell/core';
import type { ReportSaid } from './said.ts';

const CONTEXT = {
  earl: 'http://www.w3.org/ns/earl#',
  dct: 'http://purl.org/dc/terms/',
  doap: 'http://usefulinc.com/ns/doap#',
  foaf: 'http://xmlns.com/foaf/0.1/',
  WCAG: 'https://www.w3.org/TR/WCAG22/#',
};
const OUTCOMES = {
  passed: 'earl:passed',
  failed: 'earl:failed',
  'cannot tell': 'earl:cantTell',
  'not present': 'earl:inapplicable',
  'not looked at': 'earl:untested',
} as const;

/** A report as W3C EARL 1.0 in JSON-LD: an assertion for each criterion, by the engine or by whoever judged it. */
export function reportEarl(said: ReportSaid): string {
  const engine = {
    '@id': 'urn:inkwell:engine',
    '@type': ['earl:Assertor', 'earl:Software'],
    'dct:title': 'Inkwell Check',
    'doap:revision': said.engines.join(', '),
  };
  const people = [...new Set([said.made.by, ...said.criteria.flatMap(({ judged }) => (judged ? [judged.by] : []))])];
  const subject = {
    '@id': `urn:inkwell:subject:${said.subject.slug}`,
    '@type': 'earl:TestSubject',
    'dct:title': said.subject.title,
    'dct:hasPart': said.pages.map(({ address, title }) => ({ 'dct:source': address, 'dct:title': title })),
  };
  const assertions = said.criteria.map((one) => ({
    '@type': 'earl:Assertion',
    'earl:assertedBy': { '@id': one.basis === 'person' ? personId(people.indexOf(one.judged!.by)) : 'urn:inkwell:engine' },
    'earl:subject': { '@id': subject['@id'] },
    'earl:test': { '@id': `urn:inkwell:criterion:${one.id}` },
    'earl:mode': { '@id': one.basis === 'person' ? 'earl:manual' : one.counts.answered > 0 ? 'earl:semiAuto' : 'earl:automatic' },
    'earl:result': {
      '@type': 'earl:TestResult',
      'earl:outcome': { '@id': OUTCOMES[one.outcome] },
      'dct:description': evidenceOf(one),
      'dct:date': said.made.at,
    },
  }));
  const tests = said.criteria.map(({ id, title, level }) => ({
    '@id': `urn:inkwell:criterion:${id}`,
    '@type': ['earl:TestCriterion', 'earl:TestRequirement'],
    'dct:title': `${id} ${title}`,
    'dct:description': `${said.standard.name}, level ${level}`,
  }));
  const persons = people.map((name, nth) => ({ '@id': personId(nth), '@type': ['earl:Assertor', 'foaf:Person'], 'foaf:name': name }));
  return `${JSON.stringify({ '@context': CONTEXT, '@graph': [engine, ...persons, subject, ...tests, ...assertions] }, null, 2)}\n`;
}

const personId = (nth: number) => `urn:inkwell:person:${nth + 1}`;
