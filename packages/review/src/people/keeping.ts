import {
  forgetOld,
  keepFor,
  keptDays,
  personById,
  personRecord,
  snapshot,
  writeDeed,
  writing,
  type Forgotten,
  type KeptDays,
} from '@inkwell/store';
import { may, unlessAllowed, type Actor } from '../actor.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/** The longest that is taken, in days: a hundred years. */
const LONGEST_DAYS = 36_500;

/** For how long the house keeps what is about people. */
export async function showKeeping({ db }: Services, actor: Actor): Promise<Result<KeptDays>> {
  return unlessAllowed(actor, 'look after people', 'house', 'This') ?? done(await keptDays(db));
}

/** Says how long they are kept from now on; 0: for good. What is older goes by itself within a day. */
export function setKeeping(services: Services, actor: Actor, wish: KeptDays): Promise<Result<KeptDays>> {
  return writing(services.db, async (trx) => {
    const barred = unlessAllowed(actor, 'look after people', 'house', 'This');
    if (barred) return barred;
    const days: KeptDays = { messages: wish.messages, deeds: wish.deeds, times: wish.times };
    if (Object.values(days).some((one) => !Number.isInteger(one) || one < 0 || one > LONGEST_DAYS))
      return refused({ code: 'bad-page', what: `Days are whole numbers from 0 to ${LONGEST_DAYS}`, kept: 'Nothing was changed.' });
    await keepFor(trx, days);
    await writeDeed(trx, { by: actor.id, deed: 'said how long things are kept', about: { ...days } });
    return done(days);
  });
}

/** Forgets what was kept for long enough. */
export function forget(services: Services, actor: Actor): Promise<Result<Forgotten>> {
  return writing(services.db, async (trx) => unlessAllowed(actor, 'keep the house', 'house') ?? done(await forgetOld(trx)));
}

/** Told of each part of what is held of a person; nobody does more than that in years. */
const MOST_OF_A_PART = 50_000;

/** All the house holds of one person, as JSON: one's own, or anybody's for whoever looks after people. */
export function personData(services: Services, actor: Actor, wish: { person: string }): Promise<Result<{ name: string; text: string }>> {
  return snapshot(services.db, async (at) => {
    if (wish.person !== actor.id && !may(actor, 'look after people', 'house')) return notFound('This person');
    const person = await personById(at, wish.person);
    if (!person || person.kind !== 'person') return notFound('This person');
    const record = await personRecord(at, person.id, MOST_OF_A_PART);
    const cut = Object.entries(record).flatMap(([name, part]) => (Array.isArray(part) && part.length >= MOST_OF_A_PART ? [name] : []));
    const told = { told: services.now().toISOString(), ...(cut.length > 0 ? { 'only the newest of': cut } : {}), ...record };
    return done({ name: `${person.id}.json`, text: `${JSON.stringify(told, null, 2)}\n` });
  });
}
