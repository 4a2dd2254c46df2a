import { createHash } from 'node:crypto';
import type { Neighbours, Reference } from '@inkwell/core';
import {
  barFor,
  findingsIn,
  pageForEngine,
  snapshot,
  type Bar,
  type PageForEngine,
  type PlacedPage,
  type StoredFinding,
  type Write,
} from '@inkwell/store';
import { unlessAllowed, type Act, type Actor } from './actor.ts';
import type { Examined, PlacedText } from './engine/index.ts';
import { namesMore, neighboursOf, type Place } from './neighbours.ts';
import { done, notFound, type Result } from './problems.ts';
import type { Services } from './services.ts';

/** A page with all the engine needs to know of it, read at one moment. */
export interface Seen {
  page: PlacedPage;
  bar: Bar;
  references: Reference[];
  text: PlacedText;
  /** What its newest audit saw, and the version of the engine that made it. */
  findings: StoredFinding[];
  engine: string;
}

/** Reads a page for the engine, when the actor may do what they are about to. */
export function see(services: Services, actor: Actor, act: Act, pageId: number): Promise<Result<Seen>> {
  return snapshot(services.db, async (at) => {
    const found = await pageForEngine(at, { id: pageId });
    if (!found || found.page.gone_at !== null) return notFound('This page');
    return unlessAllowed(actor, act, { collection: found.page.collection_id }) ?? done(await seenAt(at, found));
  });
}

export async function seenAt(at: Write, { page, html, references, bar, engine }: PageForEngine): Promise<Seen> {
  const neighbours = await neighboursOf(at, page, references, bar.vocabulary);
  return { page, bar, references, engine, text: placed(page, html, neighbours), findings: await findingsIn(at, page.id, html) };
}

export function placed(page: Pick<PlacedPage, 'scope' | 'title' | 'address'>, html: string, neighbours: Neighbours): PlacedText {
  return { html, scope: page.scope, title: page.title, address: page.address, neighbours };
}

/** An examined text with the hash of all that was looked at. */
export interface Examination extends Examined {
  inputs: string;
}

/**
 * Examines a text of a page, outside any transaction. When it names what its former text did not, its neighbours are asked for first.
 * `already`: what the engine found while it made the text, with the neighbours of the former one.
 */
export async function examine(
  services: Services,
  seen: Pick<Seen, 'page' | 'bar' | 'references' | 'text'>,
  html: string,
  already?: Examined,
): Promise<Examination> {
  const text = { ...seen.text, html };
  const first = already ?? (await services.engine.run('examine', { page: text }));
  if (!namesMore(seen.references, first.references) && first.title === seen.page.title) return { ...first, inputs: inputsOf(text) };
  const neighbours = await neighboursOf(services.db, { ...seen.page, title: first.title }, first.references, seen.bar.vocabulary);
  const again = { ...text, title: first.title, neighbours };
  return { ...(await services.engine.run('examine', { page: again })), inputs: inputsOf(again) };
}

/** Examines a text that is no page yet. */
export async function examineNew(
  services: Services,
  page: Place & Pick<PlacedPage, 'scope' | 'content_type'>,
  html: string,
): Promise<{ bar: Bar; examined: Examination; text: PlacedText }> {
  const bar = await barFor(services.db, page.collection_id, page.content_type);
  const alone = placed(page, html, { titles: {}, vocabulary: bar.vocabulary });
  const { title, references } = await services.engine.run('refer', { page: alone });
  const text = { ...alone, title, neighbours: await neighboursOf(services.db, { ...page, title }, references, bar.vocabulary) };
  return { bar, text, examined: { ...(await services.engine.run('examine', { page: text })), inputs: inputsOf(text) } };
}

/** Of the same inputs the same engine says the same. */
export function inputsOf(text: PlacedText): string {
  return createHash('sha256').update(JSON.stringify(text)).digest('hex');
}
