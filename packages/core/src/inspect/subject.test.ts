import { auditPage } from '../audit/run.ts';
import { parsePage, type Surroundings } from '../document/page.ts';
import { contrastRatio, parseColour } from '../style/colour.ts';
import { subjectOf } from './subject.ts';

function subject(html: string, rule: string, surroundings: Surroundings = {}) {
  const page = parsePage(html, { scope: 'fragment', surroundings });
  return subjectOf(
    page,
    auditPage(page).findings.find((one) => one.rule === rule)!,
  );
}

test('an image comes with the words around it and what it says elsewhere on the page', () => {
  expect(
    subject(
      '<h2>Smoker</h2><p>Light it well.</p><p><img src="s.png"> Pump gently.</p><p><img src="s.png" alt="A smoker, lit"> and <img src="other.png" alt="A veil"></p>',
      'images/no-alternative',
    ),
  ).toEqual({
    kind: 'image',
    before: 'Smoker Light it well.',
    after: 'Pump gently. and',
    alsoHere: ['A smoker, lit'],
  });
});

test('long surroundings are cut between words', () => {
  const found = subject(`<p>${'honey '.repeat(100)}</p><p><img src="s.png"></p><p>${'wax '.repeat(100)}</p>`, 'images/no-alternative');
  expect(found).toMatchObject({ before: expect.stringMatching(/^… (honey ?)+$/), after: expect.stringMatching(/^(wax )+…$/) });
});

test('a faint pair comes with the nearest colours that pass, for the text and for its ground', () => {
  const found = subject('<p style="color:#999;background:#fff">Faint words</p>', 'colour/contrast');
  if (found?.kind !== 'colour') throw new Error('no colours');
  expect(found).toMatchObject({ color: '#999999', background: '#ffffff', required: 4.5, sample: 'Faint words' });
  expect(found.passing.map(({ of, way }) => `${of} ${way}`)).toEqual(['text darker', 'ground darker']);
  for (const { of, colour } of found.passing)
    expect(contrastRatio(parseColour(colour)!, parseColour(of === 'text' ? '#ffffff' : '#999999')!)).toBeGreaterThanOrEqual(4.5);
});

test('the house’s colours are those it names, or else those its style sheets use; only those that pass are offered', () => {
  const house = (surroundings: Surroundings, html = '<p style="color:#999">Faint words</p>') => {
    const found = subject(html, 'colour/contrast', surroundings);
    return found?.kind === 'colour' ? found.passing.filter((one) => one.way === 'house').map((one) => one.colour) : [];
  };
  expect(house({ houseColours: ['#22406e', '#cccccc'] })).toEqual(['#22406e']);
  expect(
    house(
      {},
      '<style>:root { --ink: #1b2536; --wash: #eeeeee } h2 { color: #7f2f16 } h3 { color: #7f2f16 }</style><p style="color:#999">Faint words</p>',
    ),
  ).toEqual(['#7f2f16', '#1b2536']);
});
