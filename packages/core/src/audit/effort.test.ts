import { estimate, estimateFromSample, hoursFor, learnEffort, MINUTES_EACH, type Timed } from './effort.ts';

/** Seeded numbers from 0 up to 1 (a linear congruential generator, Numerical Recipes). */
function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

/** Times as people take them: mostly short, some long; each page with a person of its own pace. */
function timesOf(seed: number, pages: number): Timed[] {
  const next = seeded(seed);
  return Array.from({ length: pages }, (_, page) => {
    const pace = 0.6 + next() * 0.9;
    return Array.from({ length: 3 + Math.floor(next() * 14) }, (): Timed => {
      const family = next() < 0.6 ? 'images' : 'links';
      return { page, family, seconds: pace * (family === 'images' ? 50 : 18) * -Math.log(1 - next() * 0.999) };
    });
  }).flat();
}

test('nobody’s times are the usual ones, and say so', () => {
  const effort = learnEffort([]);
  expect(estimate(effort, { images: 100 })).toMatchObject({ hours: 4, isDefault: true });
  expect(hoursFor(1_000)).toBe(40);
  expect(learnEffort(timesOf(1, 2).slice(0, 19)).others).toMatchObject({ minutes: MINUTES_EACH, isDefault: true });
});

test('from twenty times on a family’s own count', () => {
  const timed = Array.from({ length: 20 }, (_, page): Timed => ({ page, family: 'links', seconds: 30 }));
  const effort = learnEffort(timed);
  expect(effort.families.links).toMatchObject({ minutes: 0.5, samples: 20, isDefault: false });
  expect(estimate(effort, { links: 120 })).toMatchObject({ hours: 1, isDefault: false });
  expect(estimate(effort, {})).toEqual({ hours: 0, from: 0, to: 0, isDefault: false });
});

test.each([3, 17, 101])('four of five pages fall inside the spread that is stated (seed %d)', (seed) => {
  const timed = timesOf(seed, 400);
  const effort = learnEffort(timed.filter(({ page }) => page < 200));
  expect(effort.inside).toBeGreaterThan(0.72);
  expect(effort.inside).toBeLessThan(0.88);
  // Pages nobody had seen when the spread was stated.
  const later = Array.from({ length: 200 }, (_, nth) => timed.filter(({ page }) => page === 200 + nth));
  const inside = later.filter((page) => {
    const counts = {
      images: page.filter(({ family }) => family === 'images').length,
      links: page.filter(({ family }) => family === 'links').length,
    };
    const { from, to } = estimate(effort, counts);
    const hours = page.reduce((sum, { seconds }) => sum + seconds, 0) / 3_600;
    return hours >= from - 0.05 && hours <= to + 0.05;
  });
  expect(inside.length / later.length).toBeGreaterThan(0.75);
});

test('of four in five collections the whole falls inside what is said of it from 24 pages, and of all its pages nothing is guessed', () => {
  const effort = learnEffort(timesOf(5, 400));
  const next = seeded(11);
  const inside = Array.from({ length: 300 }, () => {
    // Most pages hold little, some very much.
    const pages = Array.from({ length: 200 }, () => ({
      images: Math.floor(-6 * Math.log(1 - next() * 0.999)),
      links: Math.floor(next() * 5),
    }));
    const sample = Array.from({ length: 24 }, (_, nth) => pages[Math.round((nth * 199) / 23)]!);
    const sum = (of: 'images' | 'links') => pages.reduce((all, one) => all + one[of], 0);
    const whole = estimate(effort, { images: sum('images'), links: sum('links') }).hours;
    const { from, to } = estimateFromSample(effort, sample, 200);
    return whole >= from && whole <= to;
  }).filter(Boolean).length;
  // Only the sampling varies here, not the times: more fall inside than four of five.
  expect(inside / 300).toBeGreaterThan(0.8);
  const all = [{ images: 3 }, { links: 4 }];
  expect(estimateFromSample(effort, all, 2)).toEqual(estimate(effort, { images: 3, links: 4 }));
  expect(estimateFromSample(effort, [], 0)).toMatchObject({ hours: 0 });
});
