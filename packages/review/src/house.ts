import { hoursFor, type Profile, type Vocabulary } from '@inkwell/core';
import { readProfile, writeProfile } from '@inkwell/formats';
import {
  addProfileVersion,
  collectionsSeen,
  contentTypes,
  effectOf,
  house,
  profileById,
  profileByName,
  profilesInUse,
  snapshot,
  versionsOf,
  writing,
  type Effect,
  type ProfileInUse,
  type Write,
} from '@inkwell/store';
import { may, unlessAllowed, visibleTo, type Actor } from './actor.ts';
import { houseEffort } from './effort.ts';
import { done, notFound, refused, type Result } from './problems.ts';
import { dayIn, type Services } from './services.ts';
import { weigh } from './standard.ts';

/** A version of the house's standard, with what it says otherwise than the one before. */
export interface StandardVersion {
  version: number;
  by: string;
  at: string;
  selection: Profile;
  vocabulary: Vocabulary;
}

export interface HouseShown {
  profile: { name: string; version: number; selection: Profile; vocabulary: Vocabulary };
  profiles: ProfileInUse[];
  versions: StandardVersion[];
  /** Whether what only the theme or the host can fix holds pages. */
  elsewhereHolds: boolean;
  collections: { slug: string; title: string }[];
  contentTypes: string[];
  maySet: boolean;
}

/** Versions told at most. */
const VERSIONS = 50;

/** A profile as it stands, its versions, and what each profile is used for; the house's own where none is named. */
export function showHouse(services: Services, actor: Actor, wish: { profile: string | null }): Promise<Result<HouseShown>> {
  return snapshot(services.db, async (at) => {
    const barred = unlessAllowed(actor, 'see', 'house');
    if (barred) return barred;
    const profile = wish.profile === null ? await profileById(at, (await house(at)).profileId) : await profileByName(at, wish.profile);
    if (!profile) return notFound('This profile');
    const { name, version, selection, vocabulary } = profile;
    const seen = await collectionsSeen(at, visibleTo(actor));
    return done({
      profile: { name, version, selection, vocabulary },
      profiles: await profilesInUse(at),
      versions: (await versionsOf(at, profile.id, VERSIONS)).map((one) => ({ ...one, at: one.at.toISOString() })),
      collections: seen.map(({ slug, title }) => ({ slug, title })),
      contentTypes: await contentTypes(at),
      elsewhereHolds: (await house(at)).elsewhereHolds,
      maySet: may(actor, 'set the standard', 'house'),
    });
  });
}

/** Nothing of it is to stay. */
class Undone extends Error {
  constructor(readonly effect: Effect) {
    super('This was only tried.');
  }
}

/** With the hours of work that what is open comes to, by what the house's own times say. */
export interface EffectShown extends Effect {
  hours: { before: number; after: number };
  /** Minutes that one more finding takes. */
  minutesEach: number;
}

async function withHours(services: Services, effect: Effect): Promise<EffectShown> {
  const { others } = await houseEffort(services, services.db);
  const of = ({ must, should, consider, questions }: Effect['before']) => hoursFor(must + should + consider + questions, others.minutes);
  return { ...effect, hours: { before: of(effect.before), after: of(effect.after) }, minutesEach: others.minutes };
}

/** What a selection would make of all pages held to a profile, counted as it would be; nothing is written. */
export async function trySelection(
  services: Services,
  actor: Actor,
  wish: { profile: string; selection: Profile },
): Promise<Result<EffectShown>> {
  const barred = unlessAllowed(actor, 'set the standard', 'house');
  if (barred) return barred;
  try {
    return await writing(services.db, async (trx) => {
      const profile = await profileByName(trx, wish.profile);
      if (!profile) return notFound('This profile');
      throw new Undone(await effectIn(trx, services, { ...profile, selection: wish.selection }, actor));
    });
  } catch (error) {
    if (error instanceof Undone) return done(await withHours(services, error.effect));
    throw error;
  }
}

async function effectIn(trx: Write, services: Services, profile: Parameters<typeof addProfileVersion>[1], actor: Actor): Promise<Effect> {
  const bars = await addProfileVersion(trx, profile, actor.id);
  await weigh(trx, bars);
  return effectOf(trx, profile.id, dayIn((await house(trx)).timeZone, services.now()));
}

/** A profile as a file: what `bin/inkwell --profile` takes. */
export async function standardFile(services: Services, actor: Actor, wish: { profile: string }): Promise<Result<string>> {
  const barred = unlessAllowed(actor, 'see', 'house');
  if (barred) return barred;
  const profile = await profileByName(services.db, wish.profile);
  return profile ? done(writeProfile(profile.selection, profile.vocabulary)) : notFound('This profile');
}

/** Reads a profile file for the form; nothing is written. */
export function readStandard(text: string): Result<{ selection: Profile; vocabulary: Vocabulary }> {
  const read = readProfile(text);
  return read.ok
    ? done({ selection: read.profile, vocabulary: read.vocabulary })
    : refused({
        code: 'bad-page',
        what: 'This file is no profile that could be used',
        why: `It ${read.reason}.`,
        kept: 'The form is as it was.',
        next: 'Take one that was written here, or correct it.',
      });
}
