import { addCollection, dropCollection, migrate, openDatabase, placeFiles, SYSTEM, type Database, type Role } from '@inkwell/store';
import { bringIn, desk, HERE, type Actor, type Desk, type Services } from '../index.ts';

/** A person with one part in all collections. */
export function personAs(role: Role, id = `test-${role}`, name = `A ${role}`): Actor {
  return { id, name, kind: 'person', disabled: false, memberships: [{ collection: null, role }] };
}

export const INES = personAs('reviewer', 'test-ines', 'Ines Calder');
export const RUTH = personAs('publisher', 'test-ruth', 'Ruth Pender');
export const SAM = personAs('administrator', 'test-sam', 'Sam Okello');
export const UMA = personAs('specialist', 'test-uma', 'Uma Hale');

let benches = 0;

/** A collection of a test file's own on the scratch database, real tables and the real engine under it. */
export function bench() {
  benches++;
  const SLUG = `test-${process.pid}-${benches}-${Math.floor(performance.now())}`;
  let opened: Database;
  let day: string | null = null;
  const services: Services = {
    get db() {
      return opened;
    },
    engine: HERE,
    now: () => (day === null ? new Date() : new Date(`${day}T12:00:00Z`)),
  };
  let made = 0;
  let collectionId = 0;

  beforeAll(async () => {
    const url = process.env.DATABASE_URL;
    if (!url) throw new Error('These tests need a scratch database: run bin/test unit, which starts one.');
    opened = openDatabase({ url });
    await migrate(opened);
    await opened
      .insertInto('people')
      .values([INES, RUTH, SAM, UMA].map(({ id, name }) => ({ id, name })))
      .onConflict((on) => on.doNothing())
      .execute();
    collectionId = await addCollection(opened, { slug: SLUG, title: 'Tests', kind: 'course', scope: 'fragment' });
    await placeFiles(opened, collectionId, [{ path: 'hive.png', mediaType: 'image/png', bytes: Buffer.from('no more than a name') }]);
  });

  afterAll(async () => {
    await opened
      .deleteFrom('jobs' as never)
      .where('made_by' as never, '=', SYSTEM as never)
      .execute();
    await dropCollection(opened, collectionId);
    await opened.destroy();
  });

  async function look(slug: string): Promise<Desk> {
    const shown = await desk(services, INES, { collection: SLUG, page: slug });
    if (!shown.ok) throw new Error(shown.problem.what);
    return shown.value;
  }

  return {
    services,
    SLUG,
    look,
    db: () => opened,
    collection: () => collectionId,
    at: (view: Desk) => ({ pageId: view.pageId, version: view.version }),
    /** Another day for all that follows; null: today. */
    onDay: (next: string | null) => void (day = next),
    async page(html: string, title?: string): Promise<Desk> {
      made++;
      const brought = await bringIn(services, INES, {
        collection: SLUG,
        title: title ?? `Page ${made}`,
        incoming: { kind: 'text', text: html },
      });
      if (!brought.ok) throw new Error(brought.problem.what);
      return look(brought.value.slug);
    },
  };
}
