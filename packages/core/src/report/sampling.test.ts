import { samplePages, type Candidate } from './sampling.ts';

const pages = (many: number): Candidate[] =>
  Array.from({ length: many }, (_, nth) => ({
    id: nth + 1,
    contentType: ['lesson', 'article', 'notice'][nth % 3]!,
    makeUp: `made up ${nth % 7}`,
    families: (nth === 40 ? { tables: 9 } : { images: nth === 77 ? 30 : nth % 4 }) as Record<string, number>,
    isEntry: nth === 0,
  }));

// W3C, WCAG-EM 1.0, step 3: a structured sample, and a random one of a tenth of its pages. From memory.
test('a sample has where readers begin, each type, each way of being made up, where most is open, and a tenth drawn at random', () => {
  const chosen = samplePages(pages(500), 7, 30);
  const because = (words: string) => chosen.filter((one) => one.because.includes(words)).map(({ id }) => id);
  expect(because('readers begin')).toEqual([1]);
  expect(because('type article').length + because('type notice').length).toBe(2);
  expect(because('most of tables')).toEqual([41]);
  expect(because('most of images')).toEqual([78]);
  const structured = chosen.filter((one) => one.chosen === 'structured');
  const random = chosen.filter((one) => one.chosen === 'random');
  expect(new Set(structured.map(({ id }) => (id - 1) % 7)).size).toBe(7);
  expect(random).toHaveLength(Math.ceil(structured.length / 10));
  expect(new Set(chosen.map(({ id }) => id)).size).toBe(chosen.length);
});

test('the same seed gives the same pages, another one others', () => {
  const random = (seed: number) =>
    samplePages(pages(5_000), seed, 40)
      .filter((one) => one.chosen === 'random')
      .map(({ id }) => id);
  expect(random(7)).toEqual(random(7));
  expect(random(7)).not.toEqual(random(8));
});

test('each page is as likely to be drawn as any other', () => {
  const times = new Map<number, number>();
  for (let seed = 0; seed < 4_000; seed++)
    for (const { id, chosen } of samplePages(pages(23), seed, 3)) if (chosen === 'random') times.set(id, (times.get(id) ?? 0) + 1);
  // 20 pages, one drawn 4,000 times: 200 each, give or take five standard deviations.
  expect(times.size).toBe(20);
  for (const many of times.values()) expect(Math.abs(many - 200)).toBeLessThan(5 * Math.sqrt(200 * 0.95));
});

test('a small collection is looked at whole', () => {
  expect(
    samplePages(pages(3), 1, 30)
      .map(({ id }) => id)
      .sort(),
  ).toEqual([1, 2, 3]);
  expect(samplePages([], 1, 30)).toEqual([]);
});
