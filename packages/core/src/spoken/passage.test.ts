import { parsePage } from '../document/page.ts';
import { speakRange, speakWhole } from './passage.ts';

function heard(html: string, from = 0, to = html.length): string {
  return speakRange(parsePage(html), { start: from, end: to });
}

// Role words by common practice of screen readers; the order is the document's.
test.each<[string, string]>([
  ['<h3>Wax <b>and</b> honey</h3>', 'Heading level 3, Wax and honey'],
  ['<h2></h2>', 'Heading level 2, blank'],
  ['<p>See <a href="x">the map</a>.</p>', 'See Link, the map.'],
  ['<img src="a" alt="A lock">', 'Image, A lock'],
  ['<img src="a">', 'Image with no description'],
  ['<img src="a" alt="">', ''],
  [
    '<ol><li>One</li><li>Two<ul><li>In</li></ul></li></ol>',
    'List of 2. Item: One. Item: Two List of 1. Item: In. End of list. End of list.',
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

test('a long passage is cut, and says so', () => {
  expect(heard(`<p>${'word '.repeat(200)}</p>`)).toMatch(/word…$/);
});

test('the whole page is heard by its title and voice', () => {
  expect(speakWhole(parsePage('<html lang="cy"><head><title> Lociau </title></head><body></body></html>'))).toBe(
    'Page, Lociau; read in the voice for cy',
  );
  expect(speakWhole(parsePage('<p>x</p>'))).toBe('Page without a title; read in whatever voice is set');
});
