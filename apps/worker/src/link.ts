import { HERE, linkFor } from '@inkwell/review';
import { migrate, openDatabase } from '@inkwell/store';

/** Makes a link with which somebody who was put in here chooses a password, and prints it alone: for a house that sends no mail. */
async function main(): Promise<void> {
  const { DATABASE_URL: url, INKWELL_ADDRESS: site } = process.env;
  const email = process.argv[2];
  if (!url || !site || !email) throw new Error('say for whom: bin/link ADDRESS');
  const db = openDatabase({ url, most: 2 });
  try {
    await migrate(db);
    const made = await linkFor({ db, engine: HERE, now: () => new Date() }, { email, site });
    if (!made.ok) throw new Error([made.problem.what, made.problem.why, made.problem.next].filter(Boolean).join('. '));
    process.stdout.write(`${made.value}\n`);
  } finally {
    await db.destroy();
  }
}

await main().catch((error: unknown) => {
  console.error(`inkwell: ${error instanceof Error ? error.message : String(error)}`);
  process.exitCode = 2;
});
