import { auditPage, parsePage, RULES, samenessOf, slipsOf, type Sameness } from '../index.ts';

/** What questions of a rule on a page go by; `address`: where the page lies. */
function asked(html: string, rule: string, address = 'pages/one.html'): Sameness[] {
  const page = parsePage(html, { scope: 'fragment' });
  const { findings } = auditPage(page);
  const slips = slipsOf(page, address, findings);
  const known = findings.map((finding, i) => (slips[i] ? { ...finding, slip: slips[i].key } : finding));
  const same = samenessOf(page, address, known);
  return known.flatMap((finding, i) => (finding.rule === rule && same[i] ? [same[i]] : []));
}

const PHOTO = (src: string, alt: string, around = (img: string) => `<p>${img}</p>`) =>
  `<h2>Bees</h2>${around(`<img src="${src}" alt="${alt}" width="600" height="400">`)}`;

test('a description is one question wherever its image stands with the same words, in one language, as no link', () => {
  const [here] = asked(PHOTO('../images/hive.png', 'A hive in the orchard'), 'images/true-to-picture');
  const [there] = asked(
    `<p>Other words</p>${PHOTO('images/hive.png', 'A hive in the orchard', (img) => `<figure>${img}</figure>`)}`,
    'images/true-to-picture',
    'index.html',
  );
  expect(here).toEqual(there);
  expect(here).toMatchObject({ image: 'images/hive.png', anywhere: true });
  // An image without words and without a language is still itself.
  const [bare] = asked('<p><img src="a.jpg" alt="" width="640" height="480"></p>', 'images/decorative-doubt');
  expect(bare).toMatchObject({ image: 'pages/a.jpg', anywhere: true });
  const others = [
    PHOTO('../images/hive.png', 'A hive in the garden'),
    `<div lang="cy">${PHOTO('../images/hive.png', 'A hive in the orchard')}</div>`,
  ].map((html) => asked(html, 'images/true-to-picture')[0]!);
  for (const other of others) expect(other.key).not.toBe(here!.key);
  expect(asked(PHOTO('../images/comb.png', 'A hive in the orchard'), 'images/true-to-picture')[0]).toMatchObject({
    key: here!.key,
    image: 'images/comb.png',
  });
});

test('a vague link is the same question with the same destination, however the page reaches it', () => {
  const link = (href: string, words = 'On the swarm there is more, a great deal of it: ') =>
    `<p>${words}<a href="${href}">read more</a></p>`;
  const [here] = asked(link('../swarms.html'), 'links/vague');
  const [there] = asked(link('swarms.html', 'What a swarm is and how it comes to be: '), 'links/vague', 'index.html');
  expect(here).toEqual(there);
  expect(asked(link('../frames.html'), 'links/vague')[0]!.key).not.toBe(here!.key);
  // A page of the collection is another one in another collection; an address outside is the same anywhere.
  expect(here!.anywhere).toBe(false);
  expect(asked(link('https://larkmoor.example/swarms'), 'links/vague')[0]!.anywhere).toBe(true);
});

test('a bold line is the same question on any page; what goes by its piece is so within one collection alone', () => {
  const bold = '<p>Before it stand some words.</p><p><b>Note</b></p><p>Bees may be kept in a garden, but not in every garden.</p>';
  const [here] = asked(bold, 'headings/imitated');
  expect(here).toMatchObject({ anywhere: true });
  expect(asked(`<h2>Other</h2>${bold}`, 'headings/imitated')).toEqual([here]);
  const [single] = asked('<p>Take with you:</p><ul><li>A smoker that is lit and has fuel for an hour</li></ul>', 'lists/single');
  expect(single).toMatchObject({ anywhere: false });
});

test('every rule that asks a question says what it goes by', () => {
  for (const rule of RULES) if (rule.question) expect(rule.question.same.length).toBeGreaterThan(0);
});
