import { openVerdict, pageStanding, tallyOf } from './standing.ts';
import { may, unlessAllowed, type Actor } from './actor.ts';
import { slugOf } from './bringIn.ts';

const must = { weight: 'must', outcome: 'failed', ruled: null, standing: 'open', asked: true } as const;
const question = { weight: 'should', outcome: 'cantTell', ruled: null, standing: 'open', asked: true } as const;

test('only what is open counts towards the verdict', () => {
  expect(openVerdict([must])).toBe('held');
  expect(openVerdict([{ ...must, standing: 'returned' }])).toBe('held');
  expect(openVerdict([{ ...must, standing: 'in hand' }])).toBe('held');
  expect(openVerdict([{ ...must, standing: 'fixed' }, { ...must, standing: 'waived' }])).toBe('ready');
  expect(openVerdict([{ ...question, standing: 'ruled out' }])).toBe('ready');
});

test('a question that was affirmed is one no more: it weighs as a failure of its weight', () => {
  expect(openVerdict([question])).toBe('judge');
  expect(openVerdict([{ ...question, ruled: 'stands' }])).toBe('ready');
  expect(openVerdict([{ ...question, weight: 'must', ruled: 'stands' }])).toBe('held');
});

test('the tally keeps questions apart, and counts rows that stand for many', () => {
  expect(tallyOf([must, { ...must, many: 4 }, question, { ...question, ruled: 'stands' }])).toEqual({ must: 5, should: 1, consider: 0, judge: 1 });
});

test('a sign-off outranks the verdict; a lapsed one shows once the page is ready again', () => {
  expect(pageStanding('ready', 3, false)).toBe('signed off');
  expect(pageStanding('held', null, true)).toBe('held');
  expect(pageStanding('judge', null, true)).toBe('judge');
  expect(pageStanding('ready', null, true)).toBe('lapsed');
  expect(pageStanding('ready', null, false)).toBe('ready');
});

test('who may do what', () => {
  const as = (role: Actor['role']): Actor => ({ id: role, name: 'Ines Calder', role });
  expect((['reviewer', 'author', 'publisher', 'administrator'] as const).map((role) => (['bring in', 'change a page', 'rule', 'sign off'] as const).map((act) => may(as(role), act)))).toEqual([
    [true, true, true, true], [true, true, false, false], [false, false, false, true], [true, true, true, true],
  ]);
  expect(unlessAllowed(as('author'), 'rule')).toMatchObject({ problem: { code: 'not-allowed', why: expect.stringContaining('author') as unknown } });
  expect(unlessAllowed(as('reviewer'), 'rule')).toBeNull();
});

test.each([
  ['Inside the Hive', 'inside-the-hive'], ['  Café & crème!  ', 'cafe-creme'], ['…', 'page'], ['Ünïted “quotes”', 'united-quotes'], ['蜂の巣', '蜂の巣'], ['a'.repeat(90), 'a'.repeat(60)],
])('the title “%s” becomes the address %s', (title, slug) => {
  expect(slugOf(title)).toBe(slug);
});
