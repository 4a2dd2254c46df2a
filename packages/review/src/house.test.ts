import { sql } from 'kysely';
import { DEFAULT_PROFILE, PROFILES } from '@inkwell/core';
import { readProfile } from '@inkwell/formats';
import {
  holdElsewhere,
  letStand,
  nameProfile,
  newProfile,
  readStandard,
  setElsewhere,
  setStandard,
  showHouse,
  standardFile,
  trySelection,
  type Result,
} from './index.ts';
import { bench, INES, RUTH, SAM } from './testing/bench.ts';

const { services, db, SLUG, look, page, at } = bench();
const NAME = `house-${process.pid}`;

function value<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`${result.problem.what} ${result.problem.why ?? ''}`);
  return result.value;
}

beforeAll(async () => {
  value(await newProfile(services, SAM, { name: NAME, selection: { ...DEFAULT_PROFILE, name: NAME } }));
  value(await nameProfile(services, SAM, { profile: NAME, collection: SLUG }));
});

test('what another standard would make of all pages is seen before, to the number, and nothing of it stays', async () => {
  await page('<h2>Wax</h2><p>Text that is plain and long enough to be read as a text by anybody who looks.</p>');
  await page('<h2>Wax</h2><p><img src="hive.png"></p>');
  const before = value(await showHouse(services, SAM, { profile: NAME }));
  const selection = { ...before.profile.selection, weights: { 'images/no-alternative': 'off' as const } };
  const seen = value(await trySelection(services, SAM, { profile: NAME, selection }));
  expect(seen.pages).toBe(2);
  expect(seen.before).toMatchObject({ held: 1, ready: 1 });
  expect(seen).toMatchObject({ movedMany: 1, moved: [{ before: 'held', after: 'ready', lapses: false, more: -1 }] });
  expect(seen).toMatchObject({ freed: 1, newlyHeld: 0, after: { held: 0, must: seen.before.must - 1 } });
  const after = value(await showHouse(services, SAM, { profile: NAME }));
  expect(after.profile).toEqual(before.profile);
  // Saved, the pages are what was seen.
  value(await setStandard(services, SAM, { profile: NAME, version: before.profile.version, selection }));
  expect(value(await trySelection(services, SAM, { profile: NAME, selection })).before).toEqual(seen.after);
  // And back: the version before, made the newest.
  const [, older] = value(await showHouse(services, SAM, { profile: NAME })).versions;
  value(await setStandard(services, SAM, { profile: NAME, version: before.profile.version + 1, selection: older!.selection }));
  const back = value(await showHouse(services, SAM, { profile: NAME }));
  expect(back.versions.map(({ version, by }) => [version, by])).toEqual([3, 2, 1].map((version) => [version, 'Sam Okello']));
  expect(value(await trySelection(services, SAM, { profile: NAME, selection: older!.selection })).before).toEqual(seen.before);
});

test('nobody but an administrator tries or sets it, and everybody may read it; it goes out as a file the command line takes', async () => {
  const { profile } = value(await showHouse(services, RUTH, { profile: NAME }));
  expect(await trySelection(services, RUTH, { profile: NAME, selection: PROFILES['wcag22-aaa']! })).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed' },
  });
  const file = value(await standardFile(services, RUTH, { profile: NAME }));
  expect(readProfile(file)).toMatchObject({ ok: true, profile: { ...profile.selection } });
  expect(readStandard(file)).toMatchObject({ ok: true, value: { selection: profile.selection } });
  expect(readStandard(file.replace('"AA"', '"AB"'))).toMatchObject({
    ok: false,
    problem: { why: expect.stringContaining('level') as string },
  });
});

test('the house says who may let what stand, and for how long', async () => {
  const { profile } = value(await showHouse(services, SAM, { profile: NAME }));
  const exceptions = { must: { by: ['administrator'] }, should: { days: 30 } };
  value(await setStandard(services, SAM, { profile: NAME, version: profile.version, selection: { ...profile.selection, exceptions } }));
  const { slug } = await page(
    '<h2>Wax</h2><p><img src="hive.png"></p><p>See <a href="https://larkmoor.example/a.html">https://larkmoor.example/a.html</a></p>',
  );
  const view = await look(slug);
  const note = (weight: string) => view.notes.find((one) => one.weight === weight && one.outcome === 'failed')!;
  const day = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
  const stand = async (weight: string, days: number, actor = INES) => {
    const now = await look(slug);
    return letStand(services, actor, { ...at(now), findingId: note(weight).id, reason: 'The host is being replaced.', until: day(days) });
  };
  expect(await stand('must', 10)).toMatchObject({ ok: false, problem: { why: expect.stringContaining('administrator') as string } });
  expect(await stand('should', 60)).toMatchObject({ ok: false, problem: { why: expect.stringContaining('30 days') as string } });
  expect(await stand('should', 20)).toMatchObject({ ok: true });
  expect(await stand('must', 400, SAM)).toMatchObject({ ok: true });
  expect(await db().selectFrom('exceptions').select('id').execute()).not.toHaveLength(0);
});

test('whether what only the theme can fix holds pages is said for the house, and each page stands by it at once', async () => {
  const view = await page('<h2>Wax</h2><p><img src="hive.png"></p>');
  value(await setElsewhere(services, INES, { ...at(view), findingId: view.notes[0]!.id, elsewhere: true }));
  expect((await look(view.slug)).verdict).toBe('ready');
  try {
    value(await holdElsewhere(services, SAM, { holds: true }));
    expect((await look(view.slug)).verdict).toBe('held');
    expect(value(await showHouse(services, SAM, { profile: NAME })).elsewhereHolds).toBe(true);
  } finally {
    value(await holdElsewhere(services, SAM, { holds: false }));
  }
  expect((await look(view.slug)).verdict).toBe('ready');
  expect(await holdElsewhere(services, RUTH, { holds: true })).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
});

test('a new version that says the same words has no page audited again', async () => {
  const shown = value(await showHouse(services, SAM, { profile: NAME }));
  await page('<h2>Wax</h2>');
  const waiting = async () => (await sql<{ many: number }>`select count(*)::integer as many from jobs`.execute(db())).rows[0]!.many;
  const before = await waiting();
  const { version, selection, vocabulary } = shown.profile;
  value(await setStandard(services, SAM, { profile: NAME, version, selection, vocabulary }));
  const after = await waiting();
  value(
    await setStandard(services, SAM, {
      profile: NAME,
      version: version + 1,
      selection,
      vocabulary: { ...vocabulary, fillers: ['Week summary'] },
    }),
  );
  expect(await waiting()).toBeGreaterThan(after);
  expect(after - before).toBeLessThanOrEqual(1);
});
