import { sql } from 'kysely';
import { invite, notices, personData, sendMail, showMessages, THE_SYSTEM } from '../index.ts';
import { SAM } from '../testing/bench.ts';
import { ownBench } from '../testing/ownDatabase.ts';

const { services, db } = ownBench('secrets');
const SITE = 'https://check.larkmoor.example';

test('the secret of a message is in what is sent and in nothing that is read here', async () => {
  const email = `unread-${process.pid}@larkmoor.example`;
  const put = await invite(services, SAM, { name: 'Una Read', email, role: 'author', collection: null, site: SITE });
  const una = { ...SAM, id: put.ok ? put.value.id : '' };
  const written = await sql<{ secret: string }>`select secret from messages where address = ${email}`.execute(db());
  const { secret: link } = written.rows[0]!;
  expect(link.startsWith(`${SITE}/link/`)).toBe(true);
  for (const shown of [
    await showMessages(services, SAM, { before: null }),
    await notices(services, una, { before: null }),
    await personData(services, una, { person: una.id }),
  ]) {
    expect(shown).toMatchObject({ ok: true });
    expect(JSON.stringify(shown)).not.toContain(link);
  }
  const sent: string[] = [];
  await sendMail(services, THE_SYSTEM, { send: async ({ address, body }) => void (address === email && sent.push(body)) });
  expect(sent.join()).toContain(link);
  const { rows } = await sql<{ secret: string | null }>`select secret from messages where address = ${email}`.execute(db());
  expect(rows).toEqual([{ secret: null }]);
});
