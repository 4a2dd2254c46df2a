import { lookup } from '@inkwell/core';
import type { PeopleShown } from '@inkwell/review';

/** People as they come over the wire. */
export type PersonRow = Omit<PeopleShown['people'][number], 'lastSeen' | 'invitedUntil'> & {
  lastSeen: string | null;
  invitedUntil: string | null;
};

/** A part somebody has in a collection, or in all. */
export interface Part {
  role: string;
  collection: number | null;
  title?: string | null;
}

export const ROLES = [
  { value: 'author', label: 'Author: writes and fixes pages' },
  { value: 'reviewer', label: 'Reviewer: fixes, rules and signs off' },
  { value: 'specialist', label: 'Specialist: rules on questions' },
  { value: 'publisher', label: 'Publisher: signs off and publishes' },
  { value: 'administrator', label: 'Administrator: standard, people, hosts' },
];

export const partWords = ({ role, collection, title }: Part) =>
  `${role} ${collection === null ? 'in all collections' : `in ${title ?? 'one collection'}`}`;

const BROWSERS: readonly [RegExp, string][] = [
  [/Firefox\//, 'Firefox'],
  [/Edg\//, 'Edge'],
  [/Chrom(?:e|ium)\//, 'Chromium or Chrome'],
  [/Safari\//, 'Safari'],
];
const SYSTEMS: readonly [RegExp, string][] = [
  [/Android/, 'Android'],
  [/iPhone|iPad/, 'iOS'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'macOS'],
  [/Linux/, 'Linux'],
];

/** What a browser says of itself, in two words. */
export function browserWords(agent: string | null): string {
  const [browser, system] = [BROWSERS, SYSTEMS].map((known) => known.find(([pattern]) => pattern.test(agent ?? ''))?.[1]);
  return browser ? `${browser}${system ? ` on ${system}` : ''}` : 'A browser';
}

const ABOUT: Record<string, string> = { role: 'part', collection: 'collection', day: 'from', ended: 'sessions' };

/** What a deed was about, in words. */
export function aboutWords(about: Record<string, unknown>): string {
  return Object.entries(about)
    .flatMap(([name, value]) => {
      if (name === 'collection' && value === null) return ['in all collections'];
      return value === null || typeof value === 'object' ? [] : [`${lookup(ABOUT, name) ?? name} ${String(value)}`];
    })
    .join(', ');
}
