import { collectionsHolding, thumbnailOf } from '@inkwell/store';
import { visibleTo, type Actor } from '../actor.ts';
import { done, notFound, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/** An image small, as WebP, by the hash of its bytes: for whoever may see a collection that holds it. */
export async function thumbnail({ db }: Services, actor: Actor, { sha256 }: { sha256: string }): Promise<Result<Uint8Array>> {
  const seen = visibleTo(actor);
  const holding = seen === null ? [] : await collectionsHolding(db, sha256);
  if (seen !== null && !holding.some((id) => seen.includes(id))) return notFound('This image');
  const bytes = await thumbnailOf(db, sha256);
  return bytes ? done(new Uint8Array(bytes)) : notFound('This image');
}
