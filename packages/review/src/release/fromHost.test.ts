import {
  acceptIntoShelf,
  bringFromHost,
  connect,
  examineArrivals,
  lookAtHost,
  readPackage,
  saveSource,
  seePublic,
  settleBoth,
  showGate,
  signOff,
  THE_SYSTEM,
  unpackPackage,
} from '../index.ts';
import { bench, INES, RUTH, SAM, UMA } from '../testing/bench.ts';
import { GOOD, value, hostBench } from '../testing/hostBench.ts';

const on = bench();
const { services, db, at, page, look, SLUG, collection } = on;
const { there, both, signed, publish, run, stateOf, origin, wrong, hostId, TOKEN, releaseOf } = hostBench(on);

describe('what changes there', () => {
  test('comes here as a revision, and ends the sign-off', async () => {
    const { view, remote } = await signed();
    await publish(view.pageId);
    await run(view.pageId);
    await there('PUT', remote, { parts: [{ name: 'main', html: '<h2></h2>' }] });
    expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ pulled: 1, both: 0 });
    const after = await look(view.slug);
    expect([after.revision.number, after.release, after.verdict]).toEqual([2, 'lapsed', 'held']);
    expect(after.revision).toMatchObject({ cause: 'pulled', by: 'Ruth Pender' });
    // What readers are shown is still what was signed: only the draft changed.
    await seePublic(services, THE_SYSTEM, { collection: collection() });
    expect((await stateOf(view.pageId)).drifted_at).toBeNull();
    expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ pulled: 0 });
  });

  test('comes here although whoever connected the host has left', async () => {
    const { view, remote } = await both();
    await there('PUT', remote, { parts: [{ name: 'main', html: `${GOOD}<p>After they left.</p>` }] });
    const { made_by: id } = await db()
      .selectFrom('connections')
      .select('made_by')
      .where('collection_id', '=', collection())
      .executeTakeFirstOrThrow();
    await db()
      .updateTable('people')
      .set({ disabled_on: '2026-01-01' as never })
      .where('id', '=', id)
      .execute();
    const pulled = await lookAtHost(services, { collection: collection() });
    await db().updateTable('people').set({ disabled_on: null }).where('id', '=', id).execute();
    expect(pulled).toMatchObject({ pulled: 1, both: 0 });
    expect((await look(view.slug)).revision).toMatchObject({ cause: 'pulled', by: 'Inkwell Check' });
  });

  test('a page that is new there comes here with its address, whatever folder it lies in', async () => {
    await both();
    const made = await there('POST', 'api/places/bees/pages', {
      address: 'unit/new.html',
      title: 'New',
      kind: 'lesson',
      parts: [{ name: 'main', html: '<h2>New</h2>' }],
    });
    expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ fresh: 1 });
    const row = await db()
      .selectFrom('host_pages')
      .innerJoin('pages', 'pages.id', 'page_id')
      .select(['address', 'content_type'])
      .where('remote', '=', made.id)
      .where('host_pages.collection_id', '=', collection())
      .executeTakeFirstOrThrow();
    expect(row).toEqual({ address: 'unit/new.html', content_type: 'lesson' });
  });

  test('where both changed, neither is written over until somebody says so', async () => {
    const { view, remote } = await both();
    value(await saveSource(services, INES, { ...at(view), html: `${GOOD}<p>Here.</p>` }));
    await there('PUT', remote, { parts: [{ name: 'main', html: `${GOOD}<p>There.</p>` }] });
    expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ both: 1, pulled: 0 });
    expect(
      value(await showGate(services, RUTH, { group: 'drifted', collection: SLUG, after: null })).rows.map(({ id, host: on }) => [
        id,
        on?.state,
      ]),
    ).toContainEqual([view.pageId, 'changed on both']);
    expect([(await look(view.slug)).html, (await there('GET', remote)).parts[0]!.html]).toEqual([
      `${GOOD}<p>Here.</p>`,
      `${GOOD}<p>There.</p>`,
    ]);
    value(await settleBoth(services, INES, { collection: SLUG, page: view.pageId, take: 'theirs' }));
    expect([(await look(view.slug)).html, (await stateOf(view.pageId)).state]).toEqual([`${GOOD}<p>There.</p>`, 'same']);
  });

  test('at the first look an earlier revision there is older, and ours goes out; what is none is told, and stays so', async () => {
    const made = await page(GOOD, 'Smoker');
    value(await saveSource(services, INES, { ...at(made), html: `${GOOD}<p>Here.</p>` }));
    const other = await page(GOOD, 'Gloves');
    for (const [view, html] of [
      [made, GOOD],
      [other, `${GOOD}<p>There.</p>`],
    ] as const) {
      const { address } = await db().selectFrom('pages').select('address').where('id', '=', view.pageId).executeTakeFirstOrThrow();
      await there('POST', 'api/places/bees/pages', { address, title: view.title, kind: 'lesson', parts: [{ name: 'main', html }] });
    }
    for (let nth = 0; nth < 2; nth++) expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ pulled: 0 });
    expect([(await stateOf(made.pageId)).state, (await stateOf(other.pageId)).state]).toEqual(['same', 'changed on both']);
    expect([(await look(made.slug)).html, (await look(other.slug)).html]).toEqual([`${GOOD}<p>Here.</p>`, GOOD]);
    value(await signOff(services, RUTH, at(await look(made.slug))));
    await publish(made.pageId);
    expect((await run(made.pageId)).state).toBe('done');
  });

  test('ours is taken over that very draft', async () => {
    const { view, remote } = await both();
    value(await saveSource(services, INES, { ...at(view), html: `${GOOD}<p>Here.</p>` }));
    await there('PUT', remote, { parts: [{ name: 'main', html: `${GOOD}<p>There.</p>` }] });
    await lookAtHost(services, { collection: collection() });
    value(await settleBoth(services, INES, { collection: SLUG, page: view.pageId, take: 'ours' }));
    value(await signOff(services, RUTH, at(await look(view.slug))));
    await publish(view.pageId);
    expect((await run(view.pageId)).state).toBe('done');
    expect((await there('GET', remote)).parts[0]!.html).toBe(`${GOOD}<p>Here.</p>`);
  });

  test('a public page that shows something else has drifted, until it does so no more', async () => {
    const { view, remote } = await signed();
    await publish(view.pageId);
    await run(view.pageId);
    await there('PUT', remote, { parts: [{ name: 'main', html: '<p>Another text.</p>' }] });
    const { tag } = await there('GET', remote);
    const out = (path: string, method: string) =>
      fetch(`${origin()}/${path}`, { method, headers: { authorization: `Bearer ${TOKEN}`, 'if-match': `"${tag}"` } });
    await out(`${remote}/publish`, 'POST');
    await db().updateTable('people').set({ email: 'ruth@larkmoor.example' }).where('id', '=', RUTH.id).execute();
    // Told once, not at each look.
    for (let nth = 0; nth < 2; nth++) await seePublic(services, THE_SYSTEM, { collection: collection() });
    expect((await stateOf(view.pageId)).drifted_at).not.toBeNull();
    const told = await db().selectFrom('messages').select(['subject', 'body']).where('person_id', '=', RUTH.id).execute();
    expect(told.filter(({ subject, body }) => subject.startsWith('Shown otherwise') && body.includes(SLUG))).toEqual([
      { subject: expect.stringContaining(view.title), body: expect.stringContaining(`collection=${SLUG}`) },
    ]);
    await db().updateTable('people').set({ email: null }).where('id', '=', RUTH.id).execute();
    expect(value(await showGate(services, RUTH, { group: 'drifted', collection: SLUG, after: null })).rows.map(({ id }) => id)).toContain(
      view.pageId,
    );
  });

  test('a page that has gone there is told, and stays here', async () => {
    const { view } = await both();
    await db().updateTable('host_pages').set({ remote: '999999' }).where('page_id', '=', view.pageId).execute();
    await db().updateTable('pages').set({ address: 'elsewhere.html' }).where('id', '=', view.pageId).execute();
    expect(await lookAtHost(services, { collection: collection() })).toMatchObject({ gone: 1 });
    expect((await stateOf(view.pageId)).state).toBe('gone there');
  });
});

test('connected elsewhere a collection takes nothing over: what one host calls a page may be another page on the next', async () => {
  const { view, remote } = await signed();
  await publish(view.pageId);
  await run(view.pageId);
  expect(await releaseOf(view.slug)).toBe('published');
  await there('PUT', 'api/places/wasps', { title: 'Wasps' });
  value(await connect(services, RUTH, { collection: SLUG, host: hostId(), place: 'wasps' }));
  // On the next host another page has that very number.
  const before = (await look(view.slug)).html;
  await there('PUT', remote, { parts: [{ name: 'main', html: '<p>Of somebody else.</p>' }] });
  await lookAtHost(services, { collection: collection() });
  expect([(await look(view.slug)).html, await releaseOf(view.slug), await stateOf(view.pageId)]).toEqual([before, 'signed off', undefined]);
  value(await connect(services, RUTH, { collection: SLUG, host: hostId(), place: 'bees' }));
});

describe('a collection comes from its host', () => {
  test('in the order and by the titles it has there, with its files, and connected', async () => {
    const place = `wax-${process.pid}`;
    await there('PUT', `api/places/${place}`, { title: 'Wax & candles' });
    for (const [address, title] of [
      ['z-first.html', 'Melting “wax”'],
      ['unit/a-second.html', 'Dipping'],
    ] as const)
      await there('POST', `api/places/${place}/pages`, {
        address,
        title,
        kind: 'lesson',
        parts: [{ name: 'main', html: `<h2>${title}</h2>` }],
      });
    const id = value(await bringFromHost(services, SAM, { host: hostId(), place }));
    await readPackage(services, { id, last: true });
    value(await acceptIntoShelf(services, SAM, { id, title: '', types: {} }));
    await unpackPackage(services, { id, by: SAM.id, last: true });
    const { collection_id: made } = await db()
      .selectFrom('packages')
      .select('collection_id')
      .where('id', '=', id)
      .executeTakeFirstOrThrow();
    const waiting = await db().selectFrom('pages').select('id').where('collection_id', '=', made).execute();
    await examineArrivals(services, { package: id, pages: waiting.map((one) => one.id), by: SAM.id, last: true });
    const pages = await db()
      .selectFrom('pages')
      .select(['title', 'address', 'scope'])
      .where('collection_id', '=', made)
      .orderBy('position')
      .execute();
    expect(pages).toEqual([
      { title: 'Melting “wax”', address: 'z-first.html', scope: 'fragment' },
      { title: 'Dipping', address: 'unit/a-second.html', scope: 'fragment' },
    ]);
    expect(await lookAtHost(services, { collection: made! })).toEqual({ same: 2, pulled: 0, fresh: 0, both: 0, gone: 0 });
    expect(await bringFromHost(services, UMA, { host: hostId(), place })).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
    expect(await bringFromHost(services, SAM, { host: hostId(), place: 'nowhere' })).toMatchObject({
      ok: false,
      problem: { code: 'not-found' },
    });
    await db().deleteFrom('collections').where('id', '=', made).execute();
  });

  test('one that cannot be asked is refused with the reason', async () => {
    const place = `wax-${process.pid}`;
    const id = value(await bringFromHost(services, SAM, { host: hostId(), place }));
    wrong('down');
    await readPackage(services, { id, last: true });
    const after = await db().selectFrom('packages').select(['state', 'problem']).where('id', '=', id).executeTakeFirstOrThrow();
    expect(after).toEqual({ state: 'refused', problem: expect.stringMatching(/host/) });
    await db().deleteFrom('packages').where('id', '=', id).execute();
  });
});
