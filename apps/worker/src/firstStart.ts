import { firstAdministrator, HERE } from '@inkwell/review';
import { administratorsWithout, migrate, nameHouse, openDatabase } from '@inkwell/store';

/**
 * What is done once before a house is served: its tables, its name, and whoever looks after it first. Prints the link with which they
 * choose a password, or nothing where somebody looks after it already.
 *
 *   INKWELL_ADMINISTRATOR  "Name <address>" of the first administrator; wanted while there is none
 *   INKWELL_HOUSE          what the house is called
 */
async function firstStart(): Promise<void> {
  const { DATABASE_URL: url, INKWELL_ADDRESS: site, INKWELL_ADMINISTRATOR: who = '', INKWELL_HOUSE: house } = process.env;
  if (!url || !site) throw new Error('DATABASE_URL and INKWELL_ADDRESS are not set: run bin/start, which sets them.');
  const db = openDatabase({ url, most: 2 });
  try {
    await migrate(db);
    if (house) await nameHouse(db, house);
    if ((await db.transaction().execute((trx) => administratorsWithout(trx, {}))) > 0) return;
    const [, name = '', email = ''] = /^\s*(.*?)\s*<([^<>]*)>\s*$/.exec(who) ?? [];
    const first = await firstAdministrator({ db, engine: HERE, now: () => new Date() }, { name, email, site });
    if (first.ok) return void (first.value !== null && console.log(first.value));
    console.error('Nobody looks after this house yet. Say who: INKWELL_ADMINISTRATOR="Sam Okello <sam@larkmoor.example>" bin/start');
    process.exitCode = 2;
  } finally {
    await db.destroy();
  }
}

await firstStart();
