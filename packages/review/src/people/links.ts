import { randomUUID } from 'node:crypto';
import {
  addLinks,
  addMessages,
  administratorsWithout,
  givePart,
  linkFor as linkBySum,
  personByEmail,
  loginByEmail,
  personWithAddress,
  SECRET_PLACE,
  setPassword,
  SYSTEM,
  useLink,
  writeDeed,
  writing,
  type NewLink,
  type NewMessage,
  type SentLink,
  type Write,
} from '@inkwell/store';
import { done, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { newSecret, sumOf } from './secrets.ts';
import { forgetTries } from './signIn.ts';
import { addressFrom, nameFrom, NO_ADDRESS, NO_NAME } from './words.ts';

/** How long links are good, in ms. */
const GOOD_FOR: Record<SentLink['purpose'], number> = { invitation: 7 * 86_400_000, password: 3_600_000 };
const GOOD_WORDS: Record<SentLink['purpose'], string> = { invitation: 'a week', password: 'an hour' };

/** Shortest and longest password, in characters (NIST SP 800-63B, 3.1.1.2). */
export const SHORTEST_PASSWORD = 12;
const LONGEST_PASSWORD = 200;

export interface LinkTo {
  person: string;
  name: string;
  email: string;
}

interface LinkFor {
  to: LinkTo;
  purpose: SentLink['purpose'];
  by: string;
  /** Where this server is reached. */
  site: string;
}

/** A link that is good once, as it is sent, and as it is kept: by the sum of its secret. */
export function linkMade({ now }: Services, { to, purpose, by, site }: LinkFor): { link: string; row: NewLink } {
  const secret = newSecret();
  const until = new Date(now().getTime() + GOOD_FOR[purpose]);
  return { link: `${site}/link/${secret}`, row: { sum: sumOf(secret), person_id: to.person, purpose, made_by: by, until } };
}

/** The message that carries a link. */
export function messageWith(to: LinkTo, purpose: SentLink['purpose'], { text, link }: { text: string; link: string }): NewMessage {
  const subject = purpose === 'invitation' ? 'You are invited to Inkwell Check' : 'A new password for Inkwell Check';
  const body = `Hello ${to.name},\n\n${text}\n\n${SECRET_PLACE}\n\nThe link works once, within ${GOOD_WORDS[purpose]}.\n`;
  return { person: to.person, address: to.email, subject, body, secret: link };
}

/** Makes a link that is good once, and the message that carries it. Gives the link. */
export async function sendLink(trx: Write, services: Services, { text, ...wish }: LinkFor & { text: string }): Promise<string> {
  const { link, row } = linkMade(services, wish);
  await addLinks(trx, [row]);
  await addMessages(trx, [messageWith(wish.to, wish.purpose, { text, link })]);
  return link;
}

/**
 * Sends whoever has an address a link to choose a new password with. Says the same whether anybody has it, so that nobody can find out.
 */
export async function askForPassword(services: Services, wish: { email: string; site: string }): Promise<Result<null>> {
  const email = addressFrom(wish.email);
  if (email === null) return done(null);
  await writing(services.db, async (trx) => {
    const login = await loginByEmail(trx, email);
    if (!login) return done(null);
    const text = 'Somebody, probably you, asked for a new password. Choose it here; if it was not you, nothing has to be done.';
    const to = { person: login.id, name: login.name, email };
    await sendLink(trx, services, { to, purpose: 'password', by: SYSTEM, site: wish.site, text });
    return done(null);
  });
  return done(null);
}

/** Whom a link is for, while it is good. */
export async function readLink({ db }: Services, wish: { secret: string }): Promise<Result<LinkTo & { purpose: SentLink['purpose'] }>> {
  return db.transaction().execute(async (trx) => {
    const found = await linkBySum(trx, sumOf(wish.secret));
    return found ? done(found) : NOT_GOOD;
  });
}

const NOT_GOOD = refused({
  code: 'not-found',
  what: 'This link is no longer good',
  why: 'It was used, another was sent after it, or its time is over.',
  kept: 'Nothing was changed.',
  next: 'Ask for a new one.',
});

/** Why a password is not taken; null for one that is. */
export function passwordTrouble(password: string, { name, email }: Pick<LinkTo, 'name' | 'email'>): string | null {
  const length = [...password].length;
  if (length < SHORTEST_PASSWORD) return `It has ${length} of ${SHORTEST_PASSWORD} characters that a password needs at least.`;
  if (length > LONGEST_PASSWORD) return `It is longer than ${LONGEST_PASSWORD} characters.`;
  if (new Set(password).size < 5) return 'It is made of the same few characters.';
  const lower = password.toLowerCase();
  const known = [email, name.toLowerCase()].some((one) => lower.includes(one));
  return known ? 'It holds your name or your address.' : null;
}

/** Takes a password for whoever a link is for; the link is good no more, and whoever was signed in with the old one is no longer. */
export async function choosePassword(
  services: Services,
  wish: { secret: string; password: string; hash: (password: string) => Promise<string> },
): Promise<Result<LinkTo>> {
  const known = await readLink(services, wish);
  if (!known.ok) return known;
  const why = passwordTrouble(wish.password, known.value);
  if (why !== null)
    return refused({
      code: 'bad-page',
      what: 'This password is not taken',
      why,
      kept: 'The link stays good.',
      next: 'Choose another one.',
    });
  const hash = await wish.hash(wish.password);
  return writing(services.db, async (trx) => {
    // Of two who use it at once the second finds it used.
    const found = await linkBySum(trx, sumOf(wish.secret));
    if (!found) return NOT_GOOD;
    const { person, name, email, purpose } = found;
    await useLink(trx, sumOf(wish.secret));
    await setPassword(trx, { person, name, email, hash, id: randomUUID() });
    await forgetTries(trx, email);
    await writeDeed(trx, { by: person, deed: purpose === 'invitation' ? 'took up an invitation' : 'chose a new password', person });
    if (purpose === 'password') await addMessages(trx, [wayInChanged(known.value, 'Your password was changed')]);
    return done({ person, name, email });
  });
}

/** Tells somebody, at their address, that how they sign in has changed. */
export function wayInChanged({ person, name, email }: LinkTo, what: string): NewMessage {
  const body = `Hello ${name},\n\n${what}, and your other sessions were ended. If it was not you, ask for a new password at once, and tell an administrator.\n`;
  return { person, address: email, subject: `${what} in Inkwell Check`, body };
}

/** Makes a link for somebody who was put in here, on the machine itself: for a house that sends no mail. Gives the link. */
export function linkFor(services: Services, wish: { email: string; site: string }): Promise<Result<string>> {
  return writing(services.db, async (trx) => {
    const email = addressFrom(wish.email);
    const found = email === null ? undefined : await personByEmail(trx, email);
    if (!found) return refused({ code: 'not-found', what: 'Nobody with this address may sign in here', kept: 'Nothing was changed.' });
    const to = { person: found.id, name: found.name, email: email! };
    const { link, row } = linkMade(services, { to, purpose: 'invitation', by: SYSTEM, site: wish.site });
    await addLinks(trx, [row]);
    await writeDeed(trx, { by: SYSTEM, deed: 'made a link on the machine', person: found.id });
    return done(link);
  });
}

/**
 * Where nobody may look after the house yet: puts in its first administrator, and gives the link they choose a password with. Null where
 * somebody may already.
 */
export async function firstAdministrator(
  services: Services,
  wish: { name: string; email: string; site: string },
): Promise<Result<string | null>> {
  const [name, email] = [nameFrom(wish.name), addressFrom(wish.email)];
  if (name === null) return NO_NAME;
  if (email === null) return NO_ADDRESS;
  return writing(services.db, async (trx) => {
    if ((await administratorsWithout(trx, {})) > 0) return done(null);
    const person = await personWithAddress(trx, { name, email });
    await givePart(trx, person.id, null, 'administrator');
    await writeDeed(trx, { by: SYSTEM, deed: 'put in as the first administrator', person: person.id });
    const text = 'You look after Inkwell Check here. Choose a password:';
    const to = { person: person.id, name: person.name, email };
    return done(await sendLink(trx, services, { to, purpose: 'invitation', by: SYSTEM, site: wish.site, text }));
  });
}
