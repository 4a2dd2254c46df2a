import { parsePage } from '../document/page.ts';
import { looksOf, speakRange, speakWhole } from './passage.ts';

function heard(html: string, from = 0, to = html.length): string {
  return speakRange(parsePage(html), { start: from, end: to });
}

// Role words by common practice of screen readers; the order is the document's.
test.each<[string, string]>([
  ['<h3>Wax <b>and</b> honey</h3>', 'Heading level 3, Wax and honey'],
  ['<h2></h2>', 'Heading level 2, blank'],
  ['<p>See <a href="x">the map</a>.</p>', 'See link, the map.'],
  ['<img src="a" alt="A lock">', 'Image, A lock.'],
  ['<img src="a">', 'Image with no description.'],
  ['<img src="a" alt="">', ''],
  [
    '<ol><li>One</li><li>Two<ul><li>In</li></ul></li></ol>',
    'List of 2. 1 of 2: One. 2 of 2: Two. List of 1. 1 of 1: In. End of list. End of list',
  ],
  [
    '<table><caption>Walks</caption><tr><th>Walk</th><th>Time</th></tr><tr><th>Bridge</th><td>20</td></tr></table>',
    'Table, Walks, 2 rows, 2 columns. Bridge, Time, 20',
  ],
  ['<p hidden>no</p><p>yes <span aria-hidden="true">no</span></p>', 'yes'],
])('%s is heard as “%s”', (html, said) => {
  expect(heard(html)).toBe(said);
});

test('a stretch is what begins in it, each piece once', () => {
  const html = '<p>one</p><p>two <b>three</b></p><p>four</p>';
  expect(heard(html, 10, 31)).toBe('two three');
});

test.each([
  ['words that stay are said where only their surroundings change', '<p>Melt the wax slowly.</p>', 'wax', 'wax'],
  ['a heading is never heard in part', '<h2>Wax and honey</h2>', 'honey', 'Heading level 2, Wax and honey'],
  ['nor a link', '<p>Read <a href="x">the first map</a>.</p>', 'first', 'Link, the first map'],
  [
    'an image in a link is heard as both',
    '<a href="x"><img src="a.png" alt="A lock"></a>',
    '<img src="a.png" alt="A lock">',
    'Link, image, A lock',
  ],
  ['a field is heard with its label', '<p><label for="b">Boat</label> <input id="b"></p>', '<input id="b">', 'Field, Boat.'],
])('%s', (_shows, html, part, said) => {
  const at = html.indexOf(part);
  expect(heard(html, at, at + part.length)).toBe(said);
});

test('what looks otherwise is told run by run', () => {
  const html = '<p style="text-align:justify">Melt <b style="color:#aaa">the wax</b></p>';
  expect(looksOf(parsePage(html), { start: 0, end: html.length })).toEqual([
    {
      words: 'Melt ',
      color: '#000000',
      ground: '#ffffff',
      size: 16,
      bold: false,
      italic: false,
      underlined: false,
      capitals: false,
      align: 'justify',
    },
    {
      words: 'the wax',
      color: '#aaaaaa',
      ground: '#ffffff',
      size: 16,
      bold: true,
      italic: false,
      underlined: false,
      capitals: false,
      align: 'justify',
    },
  ]);
});

test('a long passage is cut, and says so', () => {
  expect(heard(`<p>${'word '.repeat(200)}</p>`)).toMatch(/word…$/);
});

test('the whole page is heard by its title and voice', () => {
  expect(speakWhole(parsePage('<html lang="cy"><head><title> Lociau </title></head><body></body></html>'))).toBe(
    'Page, Lociau; read in the voice for cy',
  );
  expect(speakWhole(parsePage('<p>x</p>'))).toBe('Page without a title; read in whatever voice is set');
});
