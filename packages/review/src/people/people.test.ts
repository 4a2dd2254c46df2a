import { sql } from 'kysely';
import {
  addressFrom,
  askForPassword,
  choosePassword,
  deedsSheet,
  endMySessions,
  firstAdministrator,
  givePart,
  invite,
  inviteAgain,
  leave,
  mayTry,
  mySessions,
  nameFrom,
  noteSecondFactor,
  readLink,
  removePerson,
  showDeeds,
  showMessages,
  showPeople,
  signedIn,
  takePart,
  type Actor,
} from '../index.ts';
import { personById } from '@inkwell/store';
import { bench, INES } from '../testing/bench.ts';

const { services, db } = bench();
const SITE = 'https://check.larkmoor.example';
const NELL = `nell-${process.pid}@larkmoor.example`;
const ADA: Actor = {
  id: `ada-${process.pid}`,
  name: 'Ada Finch',
  kind: 'person',
  disabled: false,
  memberships: [{ collection: null, role: 'administrator' }],
};
const hash = (password: string) => Promise.resolve(`hash of ${password}`);
const GOOD = 'nine herons by the weir';

beforeAll(async () => {
  await sql`insert into people (id, name, email) values (${ADA.id}, ${ADA.name}, ${`${ADA.id}@larkmoor.example`})`.execute(db());
});

async function invited(email = NELL, name = 'Nell Harrow'): Promise<{ id: string; secret: string }> {
  const put = await invite(services, ADA, { name, email, role: 'author', collection: null, site: SITE });
  if (!put.ok) throw new Error(put.problem.what);
  return { id: put.value.id, secret: await secretFor(email) };
}

/** The secret of the newest link that was written to an address. */
async function secretFor(email: string): Promise<string> {
  const { rows } = await sql<{ secret: string }>`select secret from messages where address = ${email} and secret is not null
    order by id desc limit 1`.execute(db());
  return new RegExp(`${SITE}/link/(\\S+)`).exec(rows[0]!.secret)![1]!;
}

/** A session as signing in makes one. */
const session = (person: string, id: string) =>
  sql`insert into sessions (id, token, login_id, expires_at) values (${id}, ${id}, ${person}, now() + interval '1 day')`.execute(db());

const ways = async (id: string) =>
  (await sql<{ password: string }>`select password from accounts where login_id = ${id}`.execute(db())).rows;

test.each([
  ['  Nell\u00a0 Harrow ', 'Nell\u00a0 Harrow'],
  ['Nell\r\nBcc: all@larkmoor.example', 'Nell Bcc: all@larkmoor.example'],
  ['\u202eworraH', 'worraH'],
  ['Zoë Ångström', 'Zoë Ångström'],
  ['\u200b', null],
  ['x'.repeat(101), null],
  ['𝒩'.repeat(100), '𝒩'.repeat(100)],
])('the name %j is kept as %j', (typed, kept) => {
  expect(nameFrom(typed)).toBe(kept);
});

test.each([
  [' Nell@Larkmoor.Example ', 'nell@larkmoor.example'],
  ['nell@bücher.example', 'nell@bücher.example'],
  ['nell@larkmoor.example\nbcc:x@y.example', null],
  ['nell@larkmoor.example, ruth@larkmoor.example', null],
  ['Nell <nell@larkmoor.example>', null],
  ['nell@larkmoor', null],
  ['@larkmoor.example', null],
  [`${'x'.repeat(250)}@larkmoor.example`, null],
])('the address %j is kept as %j', (typed, kept) => {
  expect(addressFrom(typed)).toBe(kept);
});

test('somebody is invited, chooses a password with the link once, and has the part they were given', async () => {
  const { id, secret } = await invited();
  expect(await readLink(services, { secret })).toMatchObject({
    ok: true,
    value: { name: 'Nell Harrow', email: NELL, purpose: 'invitation' },
  });
  for (const [password, why] of [
    ['short', 'characters that a password needs'],
    ['aaaaaaaaaaaaaaa', 'same few characters'],
    [`my ${NELL} word`, 'your name or your address'],
  ] as const)
    expect(await choosePassword(services, { secret, password, hash })).toMatchObject({
      ok: false,
      problem: { why: expect.stringContaining(why) as string },
    });
  const both = await Promise.all([GOOD, `${GOOD} again`].map((password) => choosePassword(services, { secret, password, hash })));
  expect(both.map(({ ok }) => ok).sort()).toEqual([false, true]);
  expect(await ways(id)).toHaveLength(1);
  expect(await readLink(services, { secret })).toMatchObject({ ok: false });
  expect((await personById(db(), id))?.memberships).toEqual([{ collection: null, role: 'author' }]);
  // The database holds no secret that could be read out of it.
  const { rows } = await sql<{ sum: string }>`select sum from links where person_id = ${id}`.execute(db());
  expect(rows.every(({ sum }) => !secret.includes(sum) && sum.length === 64)).toBe(true);
});

test('an address stands for one person, whoever it is written by; a new invitation ends the one before', async () => {
  const email = `rosa-${process.pid}@larkmoor.example`;
  const { id, secret } = await invited(email, 'Rosa Penn');
  const again = { name: 'Rosa Two', email: email.toUpperCase(), role: 'reviewer' as const, collection: null, site: SITE };
  expect(await invite(services, ADA, again)).toMatchObject({ ok: false, problem: { code: 'duplicate' } });
  expect(await inviteAgain(services, ADA, { person: id, site: SITE })).toEqual({ ok: true, value: null });
  expect(await readLink(services, { secret })).toMatchObject({ ok: false });
  const newer = await secretFor(email);
  expect(await readLink(services, { secret: newer })).toMatchObject({ ok: true });
  await sql`update links set until = now() - interval '1 second' where person_id = ${id}`.execute(db());
  expect(await readLink(services, { secret: newer })).toMatchObject({ ok: false });
});

test('whether an address is known is told to nobody who asks for a password; who has it gets a link, and old sessions end with it', async () => {
  const email = `otto-${process.pid}@larkmoor.example`;
  const { id, secret } = await invited(email, 'Otto Vane');
  await choosePassword(services, { secret, password: GOOD, hash });
  await session(id, `s-${id}`);
  const many = async () => {
    const shown = await showMessages(services, ADA, { before: null });
    return shown.ok ? shown.value.filter(({ address }) => address === email).length : 0;
  };
  const before = await many();
  const known = await askForPassword(services, { email, site: SITE });
  expect(await askForPassword(services, { email: 'nobody@larkmoor.example', site: SITE })).toEqual(known);
  expect(await askForPassword(services, { email: 'no address', site: SITE })).toEqual(known);
  expect(await many()).toBe(before + 1);
  // Whoever is locked out by others' tries comes in by the link.
  await Promise.all(Array.from({ length: 12 }, () => mayTry(services, { email, from: null })));
  await choosePassword(services, { secret: await secretFor(email), password: `${GOOD} anew`, hash });
  expect(await mayTry(services, { email, from: null })).toMatchObject({ ok: true });
  expect(await ways(id)).toEqual([{ password: `hash of ${GOOD} anew` }]);
  expect(await mySessions(services, { ...ADA, id })).toEqual({ ok: true, value: [] });
});

test('after eight wrong passwords nobody tries further, whether anybody has the account or not, and many at once count too', async () => {
  for (const email of [NELL, `nobody-${process.pid}@larkmoor.example`]) {
    const tries = await Promise.all(Array.from({ length: 30 }, () => mayTry(services, { email, from: null })));
    expect(tries.filter(({ ok }) => ok).length).toBeLessThanOrEqual(8);
    expect(await mayTry(services, { email: ` ${email.toUpperCase()}`, from: null })).toMatchObject({
      ok: false,
      problem: { code: 'too-many' },
    });
  }
  // The right one forgets them; so does time.
  await signedIn(services, { email: NELL, from: null });
  expect(await mayTry(services, { email: NELL, from: null })).toMatchObject({ ok: true });
  const later = { ...services, now: () => new Date(Date.now() + 16 * 60_000) };
  expect(await mayTry(later, { email: `nobody-${process.pid}@larkmoor.example`, from: null })).toMatchObject({ ok: true });
  // Many people behind one network address who know their passwords do not keep each other out.
  const college = `198.51.100.${process.pid % 250}`;
  for (let nth = 0; nth < 70; nth++) {
    expect(await mayTry(services, { email: `y${nth}@y.example`, from: college })).toMatchObject({ ok: true });
    await signedIn(services, { email: `y${nth}@y.example`, from: college });
  }
  const from = `192.0.2.${process.pid % 250}`;
  const spread = await Promise.all(Array.from({ length: 80 }, (_, nth) => mayTry(services, { email: `x${nth}@y.example`, from })));
  expect(spread.filter(({ ok }) => ok).length).toBeLessThanOrEqual(60);
});

test('only administrators of the house look after people; everybody else is told so, and nothing is changed', async () => {
  const { id } = await invited(`lone-${process.pid}@larkmoor.example`, 'Lone Fell');
  const own: Actor = { ...INES, memberships: [{ collection: 1, role: 'administrator' }] };
  for (const actor of [INES, own]) {
    const refusals = await Promise.all([
      showPeople(services, actor, {}),
      showMessages(services, actor, { before: null }),
      showDeeds(services, actor, { words: '', before: null }),
      deedsSheet(services, actor),
      invite(services, actor, { name: 'X Y', email: 'xy@larkmoor.example', role: 'administrator', collection: null, site: SITE }),
      inviteAgain(services, actor, { person: id, site: SITE }),
      givePart(services, actor, { person: actor.id, role: 'administrator', collection: null }),
      takePart(services, actor, { person: id, part: 1 }),
      leave(services, actor, { person: id, day: '2026-01-01' }),
      removePerson(services, actor, { person: id }),
    ]);
    expect(refusals.every(({ ok }) => !ok)).toBe(true);
  }
  expect((await personById(db(), id))?.memberships).toHaveLength(1);
});

test('a house that nobody looks after gets its first administrator, and no second one that way', async () => {
  await sql`delete from logins where id in (select person_id from memberships where role = 'administrator' and collection_id is null)`.execute(
    db(),
  );
  const email = `first-${process.pid}@larkmoor.example`;
  const wish = { name: 'Sam Okello', email, site: SITE };
  expect(await firstAdministrator(services, { ...wish, email: 'no address' })).toMatchObject({ ok: false });
  const link = await firstAdministrator(services, wish);
  if (!link.ok || link.value === null) throw new Error('There is no link');
  // Asked for again before it was taken up it is another link for the same person.
  const again = await firstAdministrator(services, wish);
  const secret = again.ok ? again.value!.split('/').at(-1)! : '';
  const chosen = await choosePassword(services, { secret, password: GOOD, hash });
  expect(chosen).toMatchObject({ ok: true, value: { email } });
  expect(await firstAdministrator(services, { ...wish, email: `second-${email}` })).toEqual({ ok: true, value: null });
  const person = chosen.ok ? await personById(db(), chosen.value.person) : undefined;
  expect(person?.memberships).toEqual([{ collection: null, role: 'administrator' }]);
});

test('parts are given and taken; the last administrator keeps theirs, also where two are taken at once', async () => {
  await sql`delete from logins where id in (select person_id from memberships where role = 'administrator' and collection_id is null)`.execute(
    db(),
  );
  const [one, two] = await Promise.all(
    ['una', 'dora'].map(async (name) => {
      const email = `${name}-${process.pid}@larkmoor.example`;
      const { id } = await invited(email, name);
      expect(await givePart(services, ADA, { person: id, role: 'administrator', collection: null })).toMatchObject({ ok: true });
      await choosePassword(services, { secret: await secretFor(email), password: GOOD, hash });
      return id;
    }),
  );
  const taken = await Promise.all([
    leave(services, ADA, { person: one!, day: '2026-01-01' }),
    removePerson(services, ADA, { person: two! }),
  ]);
  expect(taken.map(({ ok }) => ok).sort()).toEqual([false, true]);
  expect(taken.find(({ ok }) => !ok)).toMatchObject({ problem: { what: 'Nobody would be left to look after people' } });
});

const GONE = `Gon Away ${process.pid}`;

test('who is removed may do nothing and has no address, and stays in the record; what was done is told in order', async () => {
  const email = `gone-${process.pid}@larkmoor.example`;
  const { id, secret } = await invited(email, GONE);
  await choosePassword(services, { secret, password: GOOD, hash });
  await session(id, `a-${id}`);
  await session(id, `b-${id}`);
  expect(await endMySessions(services, { ...ADA, id }, { but: `a-${id}` })).toEqual({ ok: true, value: { ended: 1 } });
  expect(await endMySessions(services, INES, { only: `a-${id}` })).toEqual({ ok: true, value: { ended: 0 } });
  expect(await removePerson(services, ADA, { person: id })).toEqual({ ok: true, value: null });
  expect(await personById(db(), id)).toMatchObject({ name: GONE, email: null, disabled: true, memberships: [] });
  expect(await ways(id)).toEqual([]);
  const deeds = await showDeeds(services, ADA, { words: GONE.toLowerCase(), before: null });
  expect(deeds.ok && deeds.value.map(({ deed }) => deed)).toEqual(['removed', 'took up an invitation', 'invited']);
  const sheet = await deedsSheet(services, ADA);
  expect(sheet.ok && sheet.value.split('\r\n').slice(0, 2)).toEqual([
    'when,who,did,to whom,about',
    expect.stringMatching(new RegExp(`^\\d{4}-[^,]+Z,Ada Finch,removed,${GONE},\\{\\}$`)),
  ]);
  const found = await showPeople(services, ADA, { words: GONE.slice(2) });
  expect(found.ok && found.value.people.map(({ name, signsIn }) => [name, signsIn])).toEqual([[GONE, false]]);
});

test('a second factor that comes or goes ends all other sessions, and its person is told at their address', async () => {
  const email = `twofold-${process.pid}@larkmoor.example`;
  const { id, secret } = await invited(email, 'Tova Fold');
  await choosePassword(services, { secret, password: GOOD, hash });
  await session(id, `old-${id}`);
  await sql`update sessions set created_at = now() - interval '1 hour' where id = ${`old-${id}`}`.execute(db());
  await session(id, `new-${id}`);
  expect(await noteSecondFactor(services, { ...ADA, id, name: 'Tova Fold' }, { isThere: true })).toMatchObject({ ok: true });
  const { rows } = await sql<{ id: string }>`select id from sessions where login_id = ${id}`.execute(db());
  expect(rows).toEqual([{ id: `new-${id}` }]);
  const told = await sql<{ subject: string }>`select subject from messages where address = ${email} order by id desc limit 1`.execute(db());
  expect(told.rows[0]!.subject).toContain('A second factor was set up');
});
