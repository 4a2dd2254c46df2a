import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DEFAULT_PROFILE } from '@inkwell/core';
import type { Role } from '@inkwell/store';
import {
  amHere,
  bringIn,
  compareRevisions,
  describeAsked,
  deskOf,
  endException,
  fix,
  giveAnswer,
  goesOut,
  handOut,
  imageUses,
  learning,
  ledger,
  letStand,
  lookAfter,
  may,
  nameProfile,
  NOBODY,
  proof,
  remark,
  remarks,
  removable,
  restore,
  rule,
  saveSource,
  sendOut,
  setElsewhere,
  setStandard,
  shelf,
  signOff,
  slugOf,
  spendTime,
  takeBackRuling,
  takeFrom,
  takers,
  THE_SYSTEM,
  trySelection,
  turnKindOff,
  undo,
  type Act,
  type Actor,
  type Desk,
  type Result,
  type Services,
} from './index.ts';
import { tallyOf } from './tally.ts';
import { bench, personAs } from './testing/bench.ts';

const { services, SLUG, at, page, collection, look } = bench();

const folder = mkdtempSync(join(tmpdir(), 'inkwell-roles-'));
afterAll(() => rmSync(folder, { recursive: true }));

const NOTHING = { due: null, words: '' };
const ANSWER = { finding: 1, same: 'none', reach: 'page' as const };

/** Every use-case, what it is for, and a call of it; what it is refused for but the right is no matter here. */
const USE_CASES: readonly [string, Act, (s: Services, actor: Actor, view: Desk) => Promise<Result<unknown>>][] = [
  ['ledger', 'see', (s, actor) => ledger(s, actor, { collection: SLUG })],
  ['desk', 'see', (s, actor, view) => deskOf(s, actor, { pageId: view.pageId })],
  ['compare', 'see', (s, actor, view) => compareRevisions(s, actor, { pageId: view.pageId, from: 1, to: 1 })],
  ['uses of an image', 'see', (s, actor, view) => imageUses(s, actor, { pageId: view.pageId, image: 'hive.png' })],
  ['proof of a page', 'see', (s, actor, view) => proof(s, actor, { collection: SLUG, address: view.address })],
  ['proof of a file', 'see', (s, actor) => proof(s, actor, { collection: SLUG, address: 'hive.png' })],
  ['time log', 'see', (s, actor, view) => spendTime(s, actor, { pageId: view.pageId, spent: [] })],
  ['goes out', 'see', (s, actor) => goesOut(s, actor, { collection: SLUG })],
  ['send out', 'see', (s, actor) => sendOut(s, actor, { collection: SLUG, folder })],
  ['what goes', 'look after a collection', (s, actor) => removable(s, actor, { collection: SLUG })],
  ['call otherwise', 'look after a collection', (s, actor) => lookAfter(s, actor, { collection: SLUG, title: 'Tests' })],
  ['bring in', 'bring in', (s, actor) => bringIn(s, actor, { collection: SLUG, incoming: { kind: 'text', text: '' } })],
  ['fix', 'change a page', (s, actor, view) => fix(s, actor, { ...at(view), findingId: 1, remedy: 'x', inputs: {} })],
  ['save', 'change a page', (s, actor, view) => saveSource(s, actor, { ...at(view), html: view.html })],
  ['undo', 'change a page', (s, actor, view) => undo(s, actor, at(view))],
  ['restore', 'change a page', (s, actor, view) => restore(s, actor, { ...at(view), revision: 99 })],
  ['rule', 'rule', (s, actor, view) => rule(s, actor, { ...at(view), findingId: 1, answer: 'stands' })],
  ['take back', 'rule', (s, actor, view) => takeBackRuling(s, actor, { ...at(view), findingId: 1 })],
  ['elsewhere', 'rule', (s, actor, view) => setElsewhere(s, actor, { ...at(view), findingId: 1, elsewhere: true })],
  ['let stand', 'let stand', (s, actor, view) => letStand(s, actor, { ...at(view), findingId: 1, reason: '', until: '' })],
  ['end exception', 'let stand', (s, actor, view) => endException(s, actor, { ...at(view), findingId: 1 })],
  ['sign off', 'sign off', (s, actor, view) => signOff(s, actor, at(view))],
  ['who is here', 'see', (s, actor, view) => amHere(s, actor, { page: view.pageId, here: true })],
  ['remarks', 'see', (s, actor, view) => remarks(s, actor, { pageId: view.pageId, findingId: 1 })],
  ['remark', 'see', (s, actor, view) => remark(s, actor, { pageId: view.pageId, findingId: 1, words: 'x', site: '' })],
  ['what comes back', 'see', (s, actor) => learning(s, actor, { collection: SLUG })],
  ['takers', 'hand out', (s, actor) => takers(s, actor, { collection: SLUG })],
  [
    'hand out',
    'hand out',
    (s, actor) => handOut(s, actor, { ...NOTHING, collection: SLUG, to: 'nobody', pages: [], findings: [1], site: '' }),
  ],
  ['take from hands', 'hand out', (s, actor) => takeFrom(s, actor, { collection: SLUG, findings: [1] })],
  ['answer', 'rule', (s, actor, view) => giveAnswer(s, actor, { ...ANSWER, page: view.pageId, answer: 'no problem', reason: '' })],
  ['describe anew', 'change a page', (s, actor, view) => describeAsked(s, actor, { ...ANSWER, page: view.pageId, alternative: 'A hive' })],
];

const ROLES: readonly Role[] = ['reviewer', 'author', 'publisher', 'specialist', 'administrator'];

/** How a refusal says that somebody may not: never by way of what is there. */
const barred = (result: Result<unknown>) => !result.ok && result.problem.code === 'not-allowed';

test.each(USE_CASES)('%s asks who may, of every part and of nobody', async (_name, act, call) => {
  const view = await page('<h2></h2><p>A <img src="hive.png"></p>');
  for (const role of ROLES) {
    const actor = personAs(role);
    expect([role, barred(await call(services, actor, view))]).toEqual([role, !may(actor, act, { collection: collection() })]);
  }
  const outside: Actor[] = [
    NOBODY,
    { ...personAs('administrator'), memberships: [{ collection: collection() + 1_000_000, role: 'administrator' }] },
    { ...personAs('administrator'), disabled: true },
  ];
  for (const actor of outside) expect(await call(services, actor, view)).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  if (act !== 'see') expect(barred(await call(services, THE_SYSTEM, view))).toBe(true);
});

test('a part in one collection reaches no further, and the shelf shows what one may see', async () => {
  const here: Actor = { ...personAs('reviewer'), memberships: [{ collection: collection(), role: 'reviewer' }] };
  expect([
    may(here, 'rule', { collection: collection() }),
    may(here, 'rule', { collection: collection() + 1 }),
    may(here, 'set the standard', 'house'),
  ]).toEqual([true, false, false]);
  const shown = await shelf(services, here);
  expect(shown.ok && shown.value.map((row) => row.slug)).toEqual([SLUG]);
});

test('only an administrator of the house sets the standard', async () => {
  for (const role of ROLES) {
    const set = await setStandard(services, personAs(role), { profile: 'none', version: 1 });
    const tried = await trySelection(services, personAs(role), { profile: 'none', selection: DEFAULT_PROFILE });
    const named = await nameProfile(services, personAs(role), { profile: 'none', collection: SLUG });
    const off = await turnKindOff(services, personAs(role), { rule: 'none' });
    for (const result of [set, tried, named, off])
      expect([role, !result.ok && result.problem.code]).toEqual([role, role === 'administrator' ? 'not-found' : 'not-allowed']);
  }
});

test('what only the theme can fix is told apart, holds nothing, and can be taken back', async () => {
  const view = await page('<h2>A</h2><p>A <img src="hive.png"></p>');
  const on = async () => ({ ...at(await look(view.slug)), findingId: view.notes[0]!.id });
  await setElsewhere(services, personAs('reviewer', 'test-ines'), { ...(await on()), elsewhere: true });
  expect(await look(view.slug)).toMatchObject({ verdict: 'ready', elsewhere: 1, tally: { must: 0 }, notes: [{ standing: 'elsewhere' }] });
  await services.db.updateTable('house').set({ elsewhere_holds: true }).execute();
  try {
    expect((await look(view.slug)).verdict).toBe('held');
  } finally {
    await services.db.updateTable('house').set({ elsewhere_holds: false }).execute();
  }
  await setElsewhere(services, personAs('reviewer', 'test-ines'), { ...(await on()), elsewhere: false });
  expect(await look(view.slug)).toMatchObject({ verdict: 'held', elsewhere: 0 });
});

test('the tally keeps questions apart; one that was affirmed weighs as a failure', () => {
  const question = { weight: 'should', outcome: 'cantTell', ruled: null } as const;
  expect(
    tallyOf([
      { weight: 'must', outcome: 'failed', ruled: null },
      question,
      { ...question, ruled: 'stands' },
      { ...question, ruled: 'not sure' },
    ]),
  ).toEqual({ must: 1, should: 1, consider: 0, judge: 2 });
});

test.each([
  ['Inside the Hive', 'inside-the-hive'],
  ['  Café & crème!  ', 'cafe-creme'],
  ['…', 'page'],
  ['Ünïted “quotes”', 'united-quotes'],
  ['蜂の巣', '蜂の巣'],
  ['a'.repeat(90), 'a'.repeat(60)],
])('the title “%s” becomes the address %s', (title, slug) => {
  expect(slugOf(title)).toBe(slug);
});
