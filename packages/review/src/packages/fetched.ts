import { join } from 'node:path';
import {
  addressesIn,
  barredAddress,
  gather,
  gatherBoundsFrom,
  hostPolicyFrom,
  limitsFrom,
  NotFetched,
  UnreadableDocument,
  writeNewZip,
  zipSource,
  type Gathered,
} from '@inkwell/formats';
import { keepFile, noteFetched, type Package, type Wanted } from '@inkwell/store';
import type { Actor } from '../actor.ts';
import { done, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import type { Opened } from './document.ts';
import { mayReceive, waitToBeRead } from './receive.ts';

/** Addresses given at once. */
const MOST_ADDRESSES = 2_000;

type FromAddresses = Exclude<Wanted, { kind: 'host' }>;

export interface AskForPages {
  kind: FromAddresses['kind'];
  /** Addresses as they were typed, white space between them. */
  text: string;
  newerOf?: string | undefined;
}

/** Hosts pages may be fetched from, as whoever looks after the server allows them. */
export function allowedHosts(): readonly string[] {
  return hostPolicyFrom(process.env).allowed;
}

/** Has pages fetched from their host in the background. None is a page here before a person said yes. Gives the package's number. */
export async function askForPages(services: Services, actor: Actor, wish: AskForPages): Promise<Result<number>> {
  const into = await mayReceive(services, actor, wish.newerOf);
  if (!into.ok) return into;
  const addresses = [...new Set(addressesIn(wish.text))].slice(0, MOST_ADDRESSES);
  const policy = hostPolicyFrom(process.env);
  const [first] = addresses;
  const why = first === undefined ? null : barredAddress(policy, new URL(first));
  if (first === undefined || why !== null)
    return refused({
      code: 'bad-page',
      what: first === undefined ? 'There is no address in this' : 'Nothing is fetched from there',
      why: first === undefined ? 'An address begins with http:// or https://.' : `${first} ${why}.`,
      kept: 'Nothing was fetched, and what you typed stays.',
      next:
        policy.allowed.length === 0
          ? 'Whoever looks after this server names the hosts that may be visited (INKWELL_HOSTS).'
          : `Hosts that are allowed: ${policy.allowed.join(', ')}.`,
    });
  const wanted: FromAddresses = { kind: wish.kind, addresses: wish.kind === 'addresses' ? addresses : addresses.slice(0, 1) };
  const sha256 = await keepFile(services.db, 'application/json', Buffer.from(JSON.stringify(wanted)));
  return done(await waitToBeRead(services, { name: nameOf(first), sha256, made_by: actor.id, renews: into.value, wanted }));
}

function nameOf(address: string): string {
  return `${new URL(address).hostname}.zip`;
}

/** How often it is told how far it is, at most. */
const EVERY_MS = 700;

/**
 * Fetches what was asked for, as a package that can be read. Begun again it begins anew.
 *
 * @param folder where it may write
 * @throws UnreadableDocument when not one page came
 */
export async function openFetched(services: Services, found: Package, wanted: FromAddresses, folder: string): Promise<Opened> {
  let told = 0;
  const onProgress = async (fetched: { pages: number; files: number }) => {
    if (Date.now() - told < EVERY_MS) return true;
    told = Date.now();
    return noteFetched(services.db, found.id, fetched);
  };
  const gathered = await orUnreadable(() =>
    gather(wanted, {
      policy: hostPolicyFrom(process.env),
      bounds: gatherBoundsFrom(process.env),
      folder: join(folder, 'fetched'),
      onProgress,
    }),
  );
  const file = join(folder, 'made.zip');
  await writeNewZip(file, inTurn(gathered.files));
  return {
    source: await zipSource(file, limitsFrom(process.env)),
    made: { file, name: found.name },
    title: '',
    troubles: gathered.troubles,
  };
}

async function orUnreadable(work: () => Promise<Gathered>): Promise<Gathered> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof NotFetched) throw new UnreadableDocument(`Not one page came: ${error.message}.`);
    throw error;
  }
}

async function* inTurn(files: Gathered['files']) {
  for (const file of files) yield await Promise.resolve(file);
}
