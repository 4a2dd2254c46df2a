import { CRITERIA } from '../standards/criteria.ts';
import { clauseOf } from '../standards/clauses.ts';
import { DEFAULT_PROFILE, PROFILES } from '../audit/profile.ts';
import { NO_COUNTS, outcomesUnder, type CriterionCounts, type Judged } from './outcomes.ts';

const ALL = { links: true, images: true, media: true };
const judged = (outcome: Judged['outcome']): Judged => ({ outcome, words: 'Tried by hand.', by: 'Ines Calder', at: '2026-11-20' });
const of = (id: string, counts: Partial<CriterionCounts> = {}, said?: Judged, present = ALL) =>
  outcomesUnder(DEFAULT_PROFILE, new Map([[id, { ...NO_COUNTS, ...counts }]]), new Map(said ? [[id, said]] : []), present).find(
    (one) => one.id === id,
  )!;

// W3C, WCAG 2.2: 31 criteria of level A and 24 of AA without 4.1.1, which is obsolete; 31 of AAA. From memory.
test('a profile asks for the criteria of its version up to its level', () => {
  const many = (name: string) => outcomesUnder(PROFILES[name]!, new Map(), new Map(), ALL).length;
  expect([many('wcag22-a'), many('wcag22-aa'), many('wcag22-aaa')]).toEqual([31, 55, 86]);
  // WCAG 2.1 has 50 of levels A and AA, 4.1.1 among them.
  expect(many('wcag21-aa')).toBe(50);
});

test('what neither a rule nor a person looked at does not pass', () => {
  expect(of('2.5.1')).toMatchObject({ outcome: 'not looked at', basis: 'nobody', rules: 0 });
  // Rules see a part of what is asked of the keyboard.
  expect(of('2.1.1')).toMatchObject({ outcome: 'cannot tell', basis: 'audit' });
  expect(of('2.1.1', {}, judged('passed'))).toMatchObject({ outcome: 'passed', basis: 'person' });
  expect(of('1.1.1')).toMatchObject({ outcome: 'passed', basis: 'audit' });
});

test('a failure outweighs a person’s word for the whole; what is let stand or is for the theme is a failure still', () => {
  for (const counts of [{ failed: 1 }, { excepted: 1 }, { elsewhere: 1 }])
    expect(of('1.1.1', counts, judged('passed'))).toMatchObject({ outcome: 'failed', basis: 'audit' });
  expect(of('1.1.1', {}, judged('failed'))).toMatchObject({ outcome: 'failed', basis: 'person' });
});

test('a question nobody answered leaves it open; answered ones do not', () => {
  expect(of('1.1.1', { open: 2 }, judged('passed'))).toMatchObject({ outcome: 'cannot tell' });
  expect(of('1.1.1', { answered: 2 })).toMatchObject({ outcome: 'passed' });
});

test('what is nowhere on the pages has nothing to meet', () => {
  expect(of('1.2.2', {}, undefined, { ...ALL, media: false })).toMatchObject({ outcome: 'not present', basis: 'content' });
  expect(of('2.4.4', {}, undefined, { ...ALL, links: false })).toMatchObject({ outcome: 'not present' });
});

// EN 301 549 V3.2.1, chapter 9 (from memory): 9.1.1.1 Non-text content; criteria of WCAG 2.2 are not in it; 9.5 has those of AAA.
test('the clause of EN 301 549 stands beside each criterion it knows', () => {
  const clause = (id: string) => clauseOf(CRITERIA.find((one) => one.id === id)!);
  expect([clause('1.1.1'), clause('1.4.3'), clause('4.1.2'), clause('2.5.8'), clause('1.4.6')]).toEqual([
    '9.1.1.1',
    '9.1.4.3',
    '9.4.1.2',
    null,
    '9.5',
  ]);
});
