import {
  addToken,
  firstAdministratorId,
  personById,
  personIdWith,
  revokeToken,
  SYSTEM,
  tokenBySum,
  tokenLines,
  writeDeed,
  writing,
  type Person,
  type TokenLine,
  type TokenReach,
} from '@inkwell/store';
import { may, unlessAllowed, type Actor } from '../actor.ts';
import { newSecret, sumOf } from '../people/secrets.ts';
import { addressFrom, nameFrom, NO_NAME } from '../people/words.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/** All that tokens may be good for. */
export const REACHES: readonly TokenReach[] = ['check', 'read', 'bring-in', 'decide', 'publish', 'admin'];

/** What a token begins with, so that one that was left lying is known for what it is. */
const PREFIX = 'inkwell_';
/** Days that a token is good at most. */
const LONGEST_DAYS = 3_650;
const LINES = 200;

export interface TokenWish {
  name: string;
  /** The address of whom it acts for; null: the first administrator. */
  as: string | null;
  reach: readonly TokenReach[];
  days: number;
}

/** Makes a token; it is shown this once. The system makes one for anybody: whoever works on the machine itself may do all. */
export function newToken(services: Services, actor: Actor, wish: TokenWish): Promise<Result<{ token: string; until: string }>> {
  return writing(services.db, async (trx) => {
    const barred = actor.kind === 'system' ? null : unlessAllowed(actor, 'look after people', 'house', 'This');
    if (barred) return barred;
    const name = nameFrom(wish.name);
    if (name === null) return NO_NAME;
    if (wish.reach.length === 0 || !Number.isInteger(wish.days) || wish.days < 0 || wish.days > LONGEST_DAYS)
      return refused({
        code: 'bad-page',
        what: `A token is good for something, and for 0 to ${LONGEST_DAYS} days`,
        kept: 'None was made.',
      });
    const person = wish.as === null ? await firstAdministratorId(trx) : await personIdWith(trx, addressFrom(wish.as) ?? '');
    if (person === undefined) return notFound('This person');
    const secret = `${PREFIX}${newSecret()}`;
    const until = new Date(services.now().getTime() + wish.days * 86_400_000);
    if (!(await addToken(trx, { person, name, sum: sumOf(secret), reach: [...new Set(wish.reach)], until })))
      return refused({ code: 'duplicate', what: `There is a token called ${name} already`, kept: 'It stays.', next: 'Revoke it first.' });
    const by = actor.kind === 'system' ? SYSTEM : actor.id;
    await writeDeed(trx, { by, deed: 'made a token', person, about: { name, reach: wish.reach.join(', '), until: until.toISOString() } });
    return done({ token: secret, until: until.toISOString() });
  });
}

/** Whom a token acts for, and for what; null for one that is not, or no longer, good. */
export async function actorOfToken(
  { db }: Services,
  secret: string,
): Promise<{ actor: Person; reach: ReadonlySet<TokenReach>; id: number } | null> {
  const found = secret.startsWith(PREFIX) ? await tokenBySum(db, sumOf(secret)) : undefined;
  const actor = found && (await personById(db, found.person));
  return !actor || actor.disabled || actor.kind !== 'person' ? null : { actor, reach: new Set(found.reach), id: found.id };
}

/** Tokens that were not revoked. */
export async function tokens({ db }: Services, actor: Actor): Promise<Result<TokenLine[]>> {
  if (actor.kind !== 'system' && !may(actor, 'look after people', 'house'))
    return unlessAllowed(actor, 'look after people', 'house', 'This')!;
  return done(await tokenLines(db, LINES));
}

/** Revokes the token of a name. */
export function endToken(services: Services, actor: Actor, wish: { name: string }): Promise<Result<null>> {
  return writing(services.db, async (trx) => {
    const barred = actor.kind === 'system' ? null : unlessAllowed(actor, 'look after people', 'house', 'This');
    if (barred) return barred;
    const ended = await revokeToken(trx, wish.name);
    if (!ended) return notFound('This token');
    const by = actor.kind === 'system' ? SYSTEM : actor.id;
    await writeDeed(trx, { by, deed: 'revoked a token', person: ended.person, about: { name: wish.name } });
    return done(null);
  });
}
