import { resolveAddress } from '@inkwell/core';
import { bytesOf, collectionBySlug, fileAt, pageAtAddress, revisionOf, snapshot, type StoredFile } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** What lies at an address of a collection: a file, whose bytes are read as they are sent, or a page's text. */
export type Proof =
  { kind: 'file'; file: StoredFile; bytes: (from: number, to: number) => AsyncGenerator<Buffer> } | { kind: 'page'; html: string };

/** In a course a page may call its files' folder by a name of its own, wherever the page lies. */
function ownName(address: string): string {
  const from = address.indexOf('$IMS-CC-FILEBASE$');
  return from < 0 ? address : (resolveAddress('', address.slice(from)) ?? address);
}

/** What readers would meet at an address, for the frame that shows a page; `revision`: another than the newest. */
export function proof(
  services: Services,
  actor: Actor,
  wish: { collection: string; address: string; revision?: number },
): Promise<Result<Proof>> {
  return snapshot(services.db, async (at) => {
    const collection = await collectionBySlug(at, wish.collection);
    if (!collection) return notFound('This collection');
    const barred = unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
    if (barred) return barred;
    const file = await fileAt(at, collection.id, ownName(wish.address));
    // A file's bytes never change under their hash: they are read outside the moment, a piece at a time.
    if (file) return done<Proof>({ kind: 'file', file, bytes: (from, to) => bytesOf(services.db, file, from, to) });
    const page = await pageAtAddress(at, collection.id, wish.address);
    const revision = page && (await revisionOf(at, page.id, wish.revision ?? page.head));
    return revision ? done<Proof>({ kind: 'page', html: revision.html }) : notFound('This page');
  });
}
