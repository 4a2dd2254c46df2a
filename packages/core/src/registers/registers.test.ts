import { parsePage } from '../document/page.ts';
import { auditPage } from '../audit/run.ts';
import { oddNameOf } from '../semantics/fileNames.ts';
import { caseOf, mendUses, type Mend } from './mend.ts';
import { pieceOf, usesAround } from './around.ts';
import { thingOf, TRAITS } from './types.ts';
import { useRowsOf, usesIn } from './uses.ts';

const page = (html: string) => parsePage(html, { scope: 'fragment' });
const traits = (register: 'images' | 'links' | 'lists' | 'tables' | 'media', bits: number) =>
  (TRAITS[register] as readonly string[]).filter((_name, bit) => (bits >> bit) & 1);

test('equal uses of a page are one row, with what was found on them', () => {
  const text = page('<h2>Wax</h2><p><img src="a.png"> and <img src="a.png"> and <img src="a.png" alt="A hive"></p>');
  const { findings } = auditPage(text);
  const rows = useRowsOf(text, 'unit/wax.html', findings).filter(({ register }) => register === 'images');
  expect(rows.map(({ name, says, many }) => [name, says, many])).toEqual([
    ['unit/a.png', null, 2],
    ['unit/a.png', 'A hive', 1],
  ]);
  expect(rows[0]!.findings.map((nth) => findings[nth]!.rule)).toContain('images/no-alternative');
});

test.each([
  ['images', '<p><a href="x.html"><img src="IMG_1.png" alt=""></a></p>', ['decorative', 'linked', 'odd name']],
  ['images', '<p style="background:url(ground.png)">x</p>', ['background']],
  ['images', '<video poster="first-frame.png" src="a.mp4" controls></video>', ['poster']],
  ['images', '<p><img src="https://elsewhere.example/boat-trip.png" alt="Boats"></p>', ['described', 'borrowed']],
  [
    'links',
    '<p>See <a href="https://larkmoor.example" target="_blank">https://larkmoor.example</a> today.</p>',
    ['outside', 'new window', 'raw address'],
  ],
  ['links', '<p>Write to <a href="mailto:boats@larkmoor.example">the office</a>.</p>', ['mail']],
  ['lists', '<p>1. One</p><p>2. Two</p><p>3. Three</p>', ['ordered', 'typed']],
  ['tables', '<table><tr><td>Hive</td><td>Kilos</td></tr><tr><td>North</td><td>12</td></tr></table>', ['no caption', 'no headers']],
  [
    'media',
    '<video src="a.mp4" autoplay></video>',
    ['video', 'unnamed', 'no captions', 'no transcript', 'no controls', 'starts by itself'],
  ],
] as const)('%s: %s is told as %j', (register, html, told) => {
  const [use] = usesIn(register, page(html), 'a/b.html', []);
  expect(traits(register, use!.traits)).toEqual(told);
});

const mended = (html: string, register: 'images' | 'links' | 'headings', mend: Mend, address = 'unit/wax.html') => {
  const text = page(html);
  const [use] = usesIn(register, text, address, []);
  return mendUses(text, address, register, [{ thing: thingOf(use!), alike: [caseOf(use!)], mend }], () => false);
};

test.each([
  ['images', '<p><img src=a.png></p>', { do: 'describe', alternative: 'A "hive"' }, '<p><img alt="A &quot;hive&quot;" src=a.png></p>'],
  [
    'images',
    '<p><img src="a.png" alt="x" role="presentation"></p>',
    { do: 'describe', alternative: 'A hive' },
    '<p><img src="a.png" alt="A hive"></p>',
  ],
  ['images', '<p><img src="a.png" alt="x"></p>', { do: 'describe', alternative: '' }, '<p><img src="a.png" alt=""></p>'],
  [
    'images',
    '<figure><img src="a.png" alt="x"><figcaption>Old</figcaption></figure>',
    { do: 'describe', caption: 'New & dry' },
    '<figure><img src="a.png" alt="x"><figcaption>New &amp; dry</figcaption></figure>',
  ],
  [
    'images',
    '<p><img src="a.png" alt="x" width="4" height="3" srcset="a2.png 2x"></p>',
    { do: 'replace', to: 'images/b.png' },
    '<p><img src="../images/b.png" alt="x"></p>',
  ],
  ['links', '<p><a href="x.html">here</a></p>', { do: 'text', text: 'Spring & summer' }, '<p><a href="x.html">Spring &amp; summer</a></p>'],
  ['links', '<p><a href="x.html">Spring</a></p>', { do: 'lead', to: 'unit/y.html#top' }, '<p><a href="y.html#top">Spring</a></p>'],
  [
    'links',
    '<p><a href="x.html">Spring</a></p>',
    { do: 'lead', to: 'https://larkmoor.example/' },
    '<p><a href="https://larkmoor.example/">Spring</a></p>',
  ],
  ['headings', '<h4>Wax</h4><p>Text.</p>', { do: 'level', level: 2 }, '<h2>Wax</h2><p>Text.</p>'],
] as const)('%s: %s is mended by %j', (register, html, mend, after) => {
  expect(mended(html, register, mend)).toMatchObject({ after, many: 1, declined: [] });
});

test('a mend declines in words, changes nothing that is so already, and leaves cases it was not meant for', () => {
  expect(mended('<p><a href="x.html"><img src="a.png" alt="x"></a></p>', 'links', { do: 'text', text: 'y' })).toMatchObject({
    many: 0,
    declined: [expect.stringContaining('image')],
  });
  expect(mended('<p><a href="x.html">here</a></p>', 'links', { do: 'lead', to: 'javascript:alert(1)' })).toMatchObject({
    many: 0,
    declined: [expect.any(String)],
  });
  expect(mended('<p><img src="a.png" alt="A hive"></p>', 'images', { do: 'describe', alternative: 'A hive' })).toMatchObject({
    many: 0,
    declined: [],
  });
  const text = page('<p><img src="a.png" alt="One"> <img src="a.png" alt="Two"></p>');
  const [, second] = usesIn('images', text, 'a.html', []);
  const part = { thing: thingOf(second!), alike: [caseOf(second!)], mend: { do: 'describe' as const, alternative: 'Three' } };
  expect(mendUses(text, 'a.html', 'images', [part], () => false).after).toBe(
    '<p><img src="a.png" alt="One"> <img src="a.png" alt="Three"></p>',
  );
});

test('a use is shown with the words around it, and a change as the piece it touches', () => {
  const text = page('<p>Light the <b>smoker</b> first: <img src="a.png" alt=""> Then &amp; only then open the hive.</p>');
  const [around] = usesAround(text, 'a.html', 'images', ['a.png\n']);
  expect(around).toMatchObject({ before: 'Light the smoker first:', after: 'Then & only then open the hive.' });
  const before = '<p>A <a href="x">here</a> b</p>';
  const at = before.indexOf('here');
  expect(pieceOf(before, before.replace('here', 'Spring'), { edits: [{ start: at, end: at + 4, text: 'Spring' }] })).toEqual({
    before: '<a href="x">here</a>',
    after: '<a href="x">Spring</a>',
  });
});

// Names that devices and programs give, as found in folders of photographs and downloads: common practice.
test.each([
  ['IMG_2034.jpg', 'camera'],
  ['unnamed.png', 'given'],
  ['download (1).jpeg', 'given'],
  ['bird-4.jpg', 'numbered'],
  ['Heron At Lock.png', 'signs'],
  ['8f14e45fceea167a.png', 'wordless'],
  [`${'heron-'.repeat(14)}lock.png`, 'long'],
  ['images/heron-at-lock.png', null],
])('the name %s is odd: %s', (name, odd) => expect(oddNameOf(name)).toBe(odd));
