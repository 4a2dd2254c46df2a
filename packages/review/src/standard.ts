import { isDeepStrictEqual } from 'node:util';
import { ENGINE_VERSION, type Profile, type Vocabulary } from '@inkwell/core';
import {
  addProfile,
  addProfileVersion,
  addWeights,
  allKinds,
  collectionBySlug,
  countElsewhere,
  dropOldWeights,
  holdAnew,
  house,
  letElsewhereHold,
  lockProfiles,
  moveToBars,
  pagesUnder,
  profileByName,
  setProfileUse,
  SYSTEM,
  writeDeed,
  writing,
  type Bar,
  type Write,
} from '@inkwell/store';
import { enqueue, enqueueUnder } from '@inkwell/work';
import { unlessAllowed, type Actor } from './actor.ts';
import { weightUnder } from './bars.ts';
import { AUDIT_ALL, auditJob, COUNT_USES } from './jobs.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import { dayIn, type Services } from './services.ts';

export interface StandardSet {
  version: number;
  /** Pages held to it. */
  pages: number;
  /** Sign-offs under which the gate now says no. */
  lapsed: number;
}

export interface SetStandard {
  profile: string;
  /** The version the person saw. */
  version: number;
  selection?: Profile;
  vocabulary?: Vocabulary;
}

/**
 * Makes a new version of a profile. Its selection is counted: every page's status is right when this returns, and nothing is audited.
 * Its vocabulary is an input of audits: pages held to it are audited again in the background.
 */
export async function setStandard(services: Services, actor: Actor, wish: SetStandard): Promise<Result<StandardSet>> {
  const barred = unlessAllowed(actor, 'set the standard', 'house');
  if (barred) return barred;
  return writing(services.db, async (trx) => {
    await lockProfiles(trx, 'to change');
    const profile = await profileByName(trx, wish.profile);
    if (!profile) return notFound('This profile');
    if (profile.version !== wish.version)
      return refused({
        code: 'conflict',
        what: 'The profile has changed since you opened it',
        why: `It is at version ${profile.version} by now.`,
        kept: 'What you set is still in the form.',
        next: 'Look at it as it is now.',
      });
    const today = dayIn((await house(trx)).timeZone, services.now());
    const bars = await addProfileVersion(
      trx,
      { ...profile, selection: wish.selection ?? profile.selection, vocabulary: wish.vocabulary ?? profile.vocabulary },
      actor.id,
    );
    await weigh(trx, bars);
    const version = bars[0]!.versionId;
    const { pages, lapsed } = await moveToBars(trx, profile.id, today, actor.id);
    await dropOldWeights(trx, profile.id);
    // What the registers count follows in the background; an audit counts it too.
    const changesWords = wish.vocabulary !== undefined && !isDeepStrictEqual(wish.vocabulary, profile.vocabulary);
    if (changesWords) await auditUnder(trx, version, actor);
    else await countUnder(trx, version);
    return done({ version: profile.version + 1, pages, lapsed });
  });
}

/** Says whether what only the theme or the host can fix holds pages too; every page's status is right when this returns. */
export function holdElsewhere(
  services: Services,
  actor: Actor,
  wish: { holds: boolean },
): Promise<Result<{ pages: number; lapsed: number }>> {
  return writing(services.db, async (trx) => {
    const barred = unlessAllowed(actor, 'set the standard', 'house');
    if (barred) return barred;
    await lockProfiles(trx, 'to change');
    await letElsewhereHold(trx, wish.holds);
    const today = dayIn((await house(trx)).timeZone, services.now());
    const counted = await countElsewhere(trx, today, actor.id);
    await writeDeed(trx, { by: actor.id, deed: 'said whether what others must fix holds pages', about: { holds: wish.holds } });
    return done(counted);
  });
}

export interface AddProfile {
  name: string;
  selection: Profile;
  vocabulary?: Vocabulary;
}

/** A profile beside the house's own, for collections and content types to name. */
export async function newProfile(services: Services, actor: Actor, wish: AddProfile): Promise<Result<{ name: string; version: number }>> {
  const barred = unlessAllowed(actor, 'set the standard', 'house');
  if (barred) return barred;
  return writing(services.db, async (trx) => {
    await lockProfiles(trx, 'to change');
    if (await profileByName(trx, wish.name)) {
      return refused({
        code: 'duplicate',
        what: `There is a profile called ${wish.name} already`,
        kept: 'Nothing was changed.',
        next: 'Choose another name.',
      });
    }
    const id = await addProfile(trx, wish.name);
    const { name, selection, vocabulary = {} } = wish;
    await weigh(trx, await addProfileVersion(trx, { id, name, version: 0, selection, vocabulary }, actor.id));
    return done({ name, version: 1 });
  });
}

export interface NameProfile {
  /** Null: the house's own again. */
  profile: string | null;
  collection?: string;
  contentType?: string;
}

/**
 * Names the profile that a collection, a content type, or a content type in a collection is held to. Its pages' status is right when this
 * returns.
 */
export async function nameProfile(services: Services, actor: Actor, wish: NameProfile): Promise<Result<{ pages: number }>> {
  const barred = unlessAllowed(actor, 'set the standard', 'house');
  if (barred) return barred;
  if (!wish.collection && !wish.contentType)
    return refused({
      code: 'declined',
      what: 'Nothing was named',
      why: 'A profile is named for a collection, a content type, or both.',
      kept: 'Nothing was changed.',
    });
  return writing(services.db, async (trx) => {
    await lockProfiles(trx, 'to change');
    const profile = wish.profile === null ? null : await profileByName(trx, wish.profile);
    if (profile === undefined) return notFound('This profile');
    const collection = wish.collection ? await collectionBySlug(trx, wish.collection) : null;
    if (collection === undefined) return notFound('This collection');
    await setProfileUse(trx, { collection: collection?.id ?? null, contentType: wish.contentType ?? null }, profile?.id ?? null);
    const today = dayIn((await house(trx)).timeZone, services.now());
    const { pages, versions } = await holdAnew(trx, today, actor.id);
    for (const version of versions) await auditUnder(trx, version, actor);
    return done({ pages });
  });
}

/** Weighs every kind of finding there is for new bars. */
export async function weigh(trx: Write, bars: readonly Bar[]): Promise<void> {
  const kinds = await allKinds(trx);
  await addWeights(
    trx,
    bars.flatMap((bar) =>
      kinds.flatMap((kind) => {
        const weight = weightUnder(kind, bar);
        return weight ? [{ bar_id: bar.id, kind_id: kind.id, ...weight }] : [];
      }),
    ),
  );
}

/** Pages counted in one job. */
const TOGETHER = 200;

async function countUnder(trx: Write, version: number): Promise<void> {
  const pages = await pagesUnder(trx, version);
  const jobs = Array.from({ length: Math.ceil(pages.length / TOGETHER) }, (_, nth) => pages.slice(nth * TOGETHER, (nth + 1) * TOGETHER));
  await enqueue(
    trx,
    SYSTEM,
    jobs.map((some) => ({ kind: COUNT_USES, payload: { pages: some } })),
  );
}

async function auditUnder(trx: Write, version: number, actor: Actor): Promise<void> {
  const pages = await pagesUnder(trx, version);
  if (pages.length > 0) await enqueueUnder(trx, actor.id, AUDIT_ALL, pages.map(auditJob));
}

/** A profile as it stands. */
export async function standard(
  services: Services,
  actor: Actor,
  wish: { profile: string },
): Promise<Result<{ name: string; version: number; selection: Profile; vocabulary: Vocabulary; engine: string }>> {
  const barred = unlessAllowed(actor, 'see', 'house');
  if (barred) return barred;
  const profile = await profileByName(services.db, wish.profile);
  return profile
    ? done({
        name: profile.name,
        version: profile.version,
        selection: profile.selection,
        vocabulary: profile.vocabulary,
        engine: ENGINE_VERSION,
      })
    : notFound('This profile');
}
