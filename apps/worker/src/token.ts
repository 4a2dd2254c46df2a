import { parseArgs } from 'node:util';
import { endToken, HERE, newToken, REACHES, THE_SYSTEM, tokens, type Problem, type Services, type TokenReach } from '@inkwell/review';
import { migrate, openDatabase } from '@inkwell/store';

/** What was called is wrong: told in a line, with exit code 2. */
class CallError extends Error {}

const say = ({ what, why, next }: Problem) => [what, why, next].filter(Boolean).join(': ');

/** Makes, lists and revokes tokens, on the machine itself. A token that was made is all that stands on standard output. */
async function main(services: Services): Promise<void> {
  const { values } = read();
  if (values.list) {
    const lines = await tokens(services, THE_SYSTEM);
    if (!lines.ok) throw new CallError(say(lines.problem));
    for (const { name, personName, reach, until } of lines.value)
      process.stdout.write(`${name}\t${personName}\t${reach.join(',')}\tuntil ${until.toISOString()}\n`);
    return;
  }
  if (values.revoke !== undefined) {
    const ended = await endToken(services, THE_SYSTEM, { name: values.revoke });
    if (!ended.ok) throw new CallError(say(ended.problem));
    return;
  }
  if (values.name === undefined) throw new CallError('name the token: --name NAME');
  const made = await newToken(services, THE_SYSTEM, {
    name: values.name,
    as: values.as ?? null,
    reach: reachFrom(values.reach ?? 'check'),
    days: daysFrom(values.days ?? '90'),
  });
  if (!made.ok) throw new CallError(say(made.problem));
  process.stdout.write(`${made.value.token}\n`);
}

function read() {
  const text = { type: 'string' } as const;
  try {
    return parseArgs({ options: { name: text, as: text, reach: text, days: text, revoke: text, list: { type: 'boolean' } } });
  } catch (error) {
    throw new CallError((error as Error).message);
  }
}

function reachFrom(said: string): TokenReach[] {
  return said.split(',').map((one) => {
    const reach = REACHES.find((known) => known === one.trim());
    if (!reach) throw new CallError(`there is no reach "${one}"; there are ${REACHES.join(', ')}`);
    return reach;
  });
}

function daysFrom(said: string): number {
  if (!/^\d{1,4}$/.test(said)) throw new CallError(`--days is a number of days, not "${said}"`);
  return Number(said);
}

const url = process.env.DATABASE_URL;
if (!url) throw new Error('DATABASE_URL is not set.');
const db = openDatabase({ url, most: 2 });
try {
  await migrate(db);
  await main({ db, engine: HERE, now: () => new Date() });
} catch (error) {
  if (!(error instanceof CallError)) throw error;
  process.stderr.write(`token: ${error.message}\n`);
  process.exitCode = 2;
} finally {
  await db.destroy();
}
