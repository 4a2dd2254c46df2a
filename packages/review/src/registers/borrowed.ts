import { fetchAddress, hostPolicyFrom, NotFetched } from '@inkwell/formats';
import { thingsNamed } from '@inkwell/store';
import type { Actor } from '../actor.ts';
import { bringImage, LARGEST_IMAGE } from '../choosing.ts';
import { done, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { mend } from './mend.ts';
import { reached } from './reach.ts';

/** How long another host may take, in ms. */
const WITHIN = 20_000;

/**
 * Takes a copy of an image that another host serves into a collection, and lets all its pages show that. Only from hosts that whoever looks
 * after the server allows.
 */
export async function keepCopy(
  services: Services,
  actor: Actor,
  wish: { collection: string; things: readonly string[] },
): Promise<Result<{ together: string; pages: number }>> {
  const reach = await reached(services.db, actor, 'change a page', wish);
  if (!reach.ok) return reach;
  const [thing] = await thingsNamed(services.db, [reach.value[0]!.id], wish.things);
  if (!thing || !URL.canParse(thing.name)) return notFetched(thing?.name ?? 'This', 'is no whole address');
  const fetched = await fetchImage(new URL(thing.name));
  if (!fetched.ok) return fetched;
  const name = new URL(thing.name).pathname.replace(/^.*\//, '') || 'image';
  const brought = await bringImage(services, actor, { collection: wish.collection, name, bytes: fetched.value });
  if (!brought.ok) return brought;
  const to = brought.value.path;
  return mend(services, actor, {
    collection: wish.collection,
    register: 'images',
    chosen: { things: wish.things },
    mend: { do: 'replace', to },
  });
}

async function fetchImage(address: URL): Promise<Result<Uint8Array>> {
  try {
    const { bytes } = await fetchAddress(hostPolicyFrom(process.env), address, { most: LARGEST_IMAGE, within: WITHIN });
    return done(bytes);
  } catch (error) {
    if (error instanceof NotFetched) return notFetched(address.href, error.message);
    throw error;
  }
}

const notFetched = (what: string, why: string) =>
  refused({
    code: 'declined',
    what: 'No copy was taken',
    why: `${what} ${why}.`,
    kept: 'The pages show it from where it lies, as before.',
    next: 'Upload the image yourself, or ask whoever looks after this server to allow its host.',
  });
