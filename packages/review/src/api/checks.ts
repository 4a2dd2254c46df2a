import { lookup, ENGINE_VERSION, PROFILES, type Profile, type Scope, type Vocabulary } from '@inkwell/core';
import { readProfile } from '@inkwell/formats';
import {
  barFor,
  collectionBySlug,
  house,
  pageAtAddress,
  profileByName,
  settledOn,
  snapshot,
  type StoredPage,
  type Write,
} from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import type { CheckedText } from '../engine/tasks.ts';
import { neighboursOf } from '../neighbours.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import { dayIn, type Services } from '../services.ts';

/** A text that is looked at and not kept. */
export interface CheckWish {
  html: string;
  scope?: Scope | undefined;
  contentType?: string | undefined;
  /** The title the platform shows above a fragment. */
  title?: string | undefined;
  /** The page it is meant for: what was ruled and let stand there counts. */
  page?: { collection: string; address: string } | undefined;
  /** A profile by name, or a whole one; without it what the house holds such pages to. */
  profile?: string | object | undefined;
}

export interface Check extends CheckedText {
  engine: string;
  profile: { name: string; standard: string; level: string };
}

/** Looks at a text as the command line does, and stores nothing. */
export async function checkText(services: Services, actor: Actor, wish: CheckWish): Promise<Result<Check>> {
  if (wish.html === '')
    return refused({
      code: 'bad-page',
      what: 'There is nothing in this page',
      kept: 'Nothing is kept of a check.',
      next: 'Send its HTML.',
    });
  const known = await snapshot(services.db, (at) => knownOf(services, at, actor, wish));
  if (!known.ok) return known;
  const { profile, vocabulary, contentType, page, settled } = known.value;
  const place = page && (await placeOf(services, page, wish, vocabulary));
  const checked = await services.engine.run('check', {
    html: wish.html,
    scope: wish.scope ?? null,
    title: wish.title ?? '',
    ...{ profile, vocabulary, contentType, settled, place },
  });
  const { name, standard, level } = profile;
  return done({ engine: ENGINE_VERSION, profile: { name, standard, level }, ...checked });
}

interface Known {
  profile: Profile;
  vocabulary: Vocabulary;
  contentType: string | null;
  /** The page it is meant for. */
  page: StoredPage | null;
  /** What was decided of findings of the page, by their fingerprints. */
  settled: Record<string, string>;
}

/** What counts for a text: the profile it is held to, and where it is meant for a page, what was decided there. */
async function knownOf(services: Services, at: Write, actor: Actor, wish: CheckWish): Promise<Result<Known>> {
  const found = wish.page ? await meantFor(at, actor, wish.page) : done(null);
  if (!found.ok) return found;
  const page = found.value;
  const contentType = wish.contentType ?? page?.content_type ?? null;
  const held = await profileOf(at, wish.profile, page?.collection_id ?? null, contentType ?? '');
  if (!held.ok) return held;
  const today = dayIn((await house(at)).timeZone, services.now());
  return done({ ...held.value, contentType, page, settled: page ? await settledOn(at, page.id, today) : {} });
}

async function meantFor(at: Write, actor: Actor, meant: { collection: string; address: string }): Promise<Result<StoredPage>> {
  const collection = await collectionBySlug(at, meant.collection);
  const barred = collection ? unlessAllowed(actor, 'see', { collection: collection.id }, 'This page') : notFound('This page');
  if (barred) return barred;
  const page = await pageAtAddress(at, collection!.id, meant.address);
  return page && page.gone_at === null ? done(page) : notFound('This page');
}

/** Where a page stands, and what its collection knows of what the text names; the engine says what that is, outside any transaction. */
async function placeOf(services: Services, page: StoredPage, { html, scope }: CheckWish, vocabulary: Vocabulary) {
  const { address, title } = page;
  const { references } = await services.engine.run('refer', {
    page: { html, scope: scope ?? null, title, address, neighbours: { titles: {} } },
  });
  return { address, title, neighbours: await neighboursOf(services.db, page, references, vocabulary) };
}

async function profileOf(
  at: Write,
  wish: string | object | undefined,
  collection: number | null,
  contentType: string,
): Promise<Result<{ profile: Profile; vocabulary: Vocabulary }>> {
  if (typeof wish === 'object') {
    const read = readProfile(JSON.stringify(wish));
    return read.ok
      ? done({ profile: read.profile, vocabulary: read.vocabulary })
      : refused({ code: 'bad-page', what: 'This profile cannot be used', why: `It ${read.reason}.`, kept: 'Nothing is kept of a check.' });
  }
  if (wish === undefined) {
    const bar = await barFor(at, collection, contentType);
    return done({ profile: bar.profile, vocabulary: bar.vocabulary });
  }
  const own = await profileByName(at, wish);
  const known = lookup(PROFILES, wish.toLowerCase());
  if (own) return done({ profile: own.selection, vocabulary: own.vocabulary });
  return known ? done({ profile: known, vocabulary: {} }) : notFound('This profile');
}
