import type { Family } from '../rules/types.ts';

/**
 * Minutes one open finding takes, on average. Common practice: 1,000 images to rename, describe and redirect are about 40 hours,
 * so 2.4 minutes each. No better figure is known for the other families; a house's own measured times replace it.
 */
export const MINUTES_EACH = 2.4;

/** Estimated hours for so many findings, to the nearest tenth; never zero while something is left. */
export function hoursFor(findings: number, minutesEach = MINUTES_EACH): number {
  if (findings === 0) return 0;
  return Math.max(0.1, Math.round((findings * minutesEach) / 6) / 10);
}

/** One finding that was seen to, and how long that took. */
export interface Timed {
  page: number;
  family: Family;
  seconds: number;
}

/** Timed findings of a family from which on its own time counts. */
export const ENOUGH = 20;

export interface FamilyEffort {
  minutes: number;
  /** Standard deviation of one finding's minutes. */
  spread: number;
  samples: number;
  /** Whether it is the usual figure, for want of enough of the house's own. */
  isDefault: boolean;
}

export interface Effort {
  families: Partial<Record<Family, FamilyEffort>>;
  /** For families nobody timed yet. */
  others: FamilyEffort;
  /** By how much the spread of a page is widened so that four of five pages that were timed fall inside it. */
  factor: number;
  /** Share of timed pages whose time fell inside the spread that the other pages' times would have stated; null for too few. */
  inside: number | null;
  samples: number;
}

/** Share of pages that a stated spread is to hold. */
const HELD = 0.8;
/** Times of one family vary about as much as they are long, as times of short tasks do. Common practice. */
const USUAL_SPREAD = 1;
/** Standard deviations that hold four of five of what is normally distributed. */
const USUAL_FACTOR = 1.2816;
/** By how much the usual figure may be off for a house, as a share of it. Common practice. */
const UNSURE = 0.4;
/** Pages from which on a spread is tried on those that were timed. */
const ENOUGH_PAGES = 10;

const usual = (samples: number): FamilyEffort => ({
  minutes: MINUTES_EACH,
  spread: MINUTES_EACH * USUAL_SPREAD,
  samples,
  isDefault: true,
});

/**
 * What a house's own times say: a mean and a spread for each family with enough of them, and a factor by which the spread of a page is
 * widened until it holds four of five pages. That factor is found on one half of the pages and tried on the other (split conformal
 * prediction: Vovk, Gammerman and Shafer 2005; Lei et al. 2018).
 */
export function learnEffort(timed: readonly Timed[]): Effort {
  const pages = [...new Set(timed.map(({ page }) => page))].sort((a, b) => a - b);
  const half = new Set(pages.filter((_page, nth) => nth % 2 === 0));
  const [some, others] = [timed.filter(({ page }) => half.has(page)), timed.filter(({ page }) => !half.has(page))];
  const whole = familiesOf(timed);
  if (pages.length < ENOUGH_PAGES) return { ...whole, factor: USUAL_FACTOR, inside: null, samples: timed.length };
  const tried = [apartness(familiesOf(some), others), apartness(familiesOf(others), some)] as const;
  const [first, second] = [heldBy(tried[0]), heldBy(tried[1])];
  // Each half is held to the factor that the other one gave.
  const hits = tried[0].filter((apart) => apart <= second).length + tried[1].filter((apart) => apart <= first).length;
  return { ...whole, factor: heldBy([...tried[0], ...tried[1]]), inside: hits / pages.length, samples: timed.length };
}

function familiesOf(timed: readonly Timed[]): Pick<Effort, 'families' | 'others'> {
  const byFamily = new Map<Family, number[]>();
  for (const { family, seconds } of timed) byFamily.set(family, [...(byFamily.get(family) ?? []), seconds / 60]);
  const all = timed.map(({ seconds }) => seconds / 60);
  const families = [...byFamily].map(([family, minutes]) => [family, effortOf(minutes)] as const);
  return { families: Object.fromEntries(families), others: effortOf(all) };
}

function effortOf(minutes: readonly number[]): FamilyEffort {
  if (minutes.length < ENOUGH) return usual(minutes.length);
  const mean = minutes.reduce((sum, one) => sum + one, 0) / minutes.length;
  const variance = minutes.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (minutes.length - 1);
  return { minutes: mean, spread: Math.sqrt(variance), samples: minutes.length, isDefault: false };
}

/** How far each page's time is from what would have been said of it, in spreads. */
function apartness(known: Pick<Effort, 'families' | 'others'>, timed: readonly Timed[]): number[] {
  const byPage = new Map<number, { counts: Partial<Record<Family, number>>; minutes: number }>();
  for (const { page, family, seconds } of timed) {
    const one = byPage.get(page) ?? { counts: {}, minutes: 0 };
    byPage.set(page, one);
    one.counts[family] = (one.counts[family] ?? 0) + 1;
    one.minutes += seconds / 60;
  }
  return [...byPage.values()].map(({ counts, minutes }) => {
    const said = sumsOf(known, counts);
    return Math.abs(minutes - said.minutes) / Math.max(said.spread, 1e-9);
  });
}

/** The factor that holds its share of some distances. */
function heldBy(apart: readonly number[]): number {
  const sorted = [...apart].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil((sorted.length + 1) * HELD) - 1)] ?? USUAL_FACTOR;
}

function sumsOf(
  { families, others }: Pick<Effort, 'families' | 'others'>,
  counts: Partial<Record<Family, number>>,
): { minutes: number; spread: number; isDefault: boolean } {
  let [minutes, variance, isDefault] = [0, 0, false];
  for (const [family, many] of Object.entries(counts) as [Family, number][]) {
    const own = families[family];
    const effort = own && !own.isDefault ? own : others;
    minutes += many * effort.minutes;
    variance += many * effort.spread ** 2;
    isDefault ||= many > 0 && effort.isDefault;
  }
  return { minutes, spread: Math.sqrt(variance), isDefault };
}

export interface Estimate {
  /** Hours, to the nearest tenth. */
  hours: number;
  /** Between which four of five such pages or collections fall. */
  from: number;
  to: number;
  /** Whether the usual figure had to serve for some of it. */
  isDefault: boolean;
}

/** What open findings will take, by family, with its spread. */
export function estimate(effort: Effort, counts: Partial<Record<Family, number>>): Estimate {
  const { minutes, spread, isDefault } = sumsOf(effort, counts);
  // A figure that is not the house's own may itself be off.
  return inHours(minutes, spread * effort.factor + (isDefault ? minutes * UNSURE : 0), isDefault);
}

function inHours(minutes: number, wide: number, isDefault: boolean): Estimate {
  const hours = (of: number) => Math.round(Math.max(0, of) / 6) / 10;
  return {
    hours: minutes > 0 ? Math.max(0.1, hours(minutes)) : 0,
    from: hours(minutes - wide),
    to: minutes > 0 ? Math.max(0.1, hours(minutes + wide)) : 0,
    isDefault,
  };
}

/** What a whole collection will take, from some of its pages, with the spread of the pages and of the times. */
export function estimateFromSample(effort: Effort, sample: readonly Partial<Record<Family, number>>[], pages: number): Estimate {
  const each = sample.map((counts) => sumsOf(effort, counts));
  const mean = each.reduce((sum, { minutes }) => sum + minutes, 0) / Math.max(1, each.length);
  // A total from a sample without replacement: its variance, with what is left out counted only (Cochran 1977, 2.5).
  const variance = each.length > 1 ? each.reduce((sum, { minutes }) => sum + (minutes - mean) ** 2, 0) / (each.length - 1) : mean ** 2;
  const left = Math.max(0, 1 - each.length / Math.max(1, pages));
  const sampling = pages ** 2 * (variance / Math.max(1, each.length)) * left;
  const timing = (each.reduce((sum, { spread }) => sum + spread ** 2, 0) / Math.max(1, each.length)) * pages;
  const isDefault = each.some((one) => one.isDefault);
  return inHours(mean * pages, Math.sqrt(sampling + timing) * effort.factor + (isDefault ? mean * pages * UNSURE : 0), isDefault);
}
