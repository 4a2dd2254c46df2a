import { ENGINE_VERSION, PROFILES, type Profile, type Scope, type Vocabulary } from '@inkwell/core';
import { readProfile } from '@inkwell/formats';
import { barFor, collectionBySlug, house, pageAtAddress, profileByName, settledOn, snapshot, type Write } from '@inkwell/store';
import { unlessAllowed, type Actor } from '../actor.ts';
import type { CheckedText } from '../engine/tasks.ts';
import { placed } from '../examine.ts';
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
  const around = await snapshot(services.db, (at) => aroundOf(services, at, actor, wish));
  if (!around.ok) return around;
  const { profile, vocabulary, contentType, place, settled } = around.value;
  const checked = await services.engine.run('check', {
    html: wish.html,
    scope: wish.scope ?? null,
    title: wish.title ?? '',
    ...{ profile, vocabulary, contentType, settled, place },
  });
  const { name, standard, level } = profile;
  return done({ engine: ENGINE_VERSION, profile: { name, standard, level }, ...checked });
}

interface Around {
  profile: Profile;
  vocabulary: Vocabulary;
  contentType: string | null;
  place: { address: string; title: string; neighbours: Awaited<ReturnType<typeof neighboursOf>> } | null;
  /** What was decided of findings of the page, by their fingerprints. */
  settled: Record<string, string>;
}

/** What counts for a text: the profile it is held to, and where it is meant for a page, what stands around it and was decided there. */
async function aroundOf(services: Services, at: Write, actor: Actor, wish: CheckWish): Promise<Result<Around>> {
  const page = wish.page ? await meantFor(services, at, actor, wish, wish.page) : done(null);
  if (!page.ok) return page;
  const contentType = wish.contentType ?? page.value?.contentType ?? null;
  const held = await profileOf(at, wish.profile, page.value?.collection ?? null, contentType ?? '');
  if (!held.ok) return held;
  const vocabulary = held.value.vocabulary;
  const place = page.value ? { ...page.value.place, neighbours: { ...page.value.place.neighbours, vocabulary } } : null;
  return done({ ...held.value, contentType, place, settled: page.value?.settled ?? {} });
}

async function meantFor(services: Services, at: Write, actor: Actor, wish: CheckWish, meant: { collection: string; address: string }) {
  const collection = await collectionBySlug(at, meant.collection);
  const barred = collection ? unlessAllowed(actor, 'see', { collection: collection.id }, 'This page') : notFound('This page');
  if (barred) return barred;
  const page = await pageAtAddress(at, collection!.id, meant.address);
  if (!page || page.gone_at !== null) return notFound('This page');
  const today = dayIn((await house(at)).timeZone, services.now());
  const referred = await services.engine.run('refer', { page: { ...placed(page, wish.html, {} as never), scope: wish.scope ?? null } });
  const neighbours = await neighboursOf(at, page, referred.references, {});
  return done({
    collection: collection!.id,
    contentType: page.content_type,
    place: { address: page.address, title: page.title, neighbours },
    settled: await settledOn(at, page.id, today),
  });
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
  const known = PROFILES[wish.toLowerCase()];
  if (own) return done({ profile: own.selection, vocabulary: own.vocabulary });
  return known ? done({ profile: known, vocabulary: {} }) : notFound('This profile');
}
