import { parsePage } from '../document/page.ts';
import { speakPage } from './page.ts';

const said = (html: string) => speakPage(parsePage(html)).map((line) => line.says);

// Words for roles are plain ones, by common practice; order and content are the page's.
test.each<[string, string, string[]]>([
  ['headings and paragraphs', '<h2>Wax</h2><p>It melts at <b>62</b> degrees.</p>', ['Heading level 2, Wax', 'It melts at 62 degrees.']],
  [
    'a list with its length and places',
    '<ul><li>Veil</li><li>Gloves</li></ul>',
    ['List of 2', '1 of 2: Veil', '2 of 2: Gloves', 'End of list'],
  ],
  [
    'links and images in a sentence',
    '<p>See <a href="x">the locks</a>. <img src="a.png" alt="A heron"> <img src="b.png" alt=""></p>',
    ['See link, the locks. image, A heron.'],
  ],
  ['an image nobody described', '<p><img src="a.png"></p>', ['image with no description.']],
  [
    'a table, cell by cell, with headers',
    '<table><caption>Locks</caption><tr><th scope="col">Lock</th><th scope="col">Depth</th></tr><tr><td>One</td><td>2 m</td></tr></table>',
    [
      'Table, Locks, 2 rows, 2 columns',
      'Row 1, column 1: Lock',
      'Row 1, column 2: Depth',
      'Row 2, column 1, Lock: One',
      'Row 2, column 2, Depth: 2 m',
      'End of table',
    ],
  ],
  ['landmarks', '<main><p>Text</p></main>', ['Main part', 'Text', 'End of main part']],
  ['another language', '<p lang="en">They say <i lang="de">Glück</i> here.</p>', ['in English: They say in German: Glück here.']],
  [
    'fields and buttons',
    '<p><label>Boat <input required></label> <button>Send</button></p>',
    ['Boat field, Boat, required. button, Send.'],
  ],
  ['nothing of what is hidden', '<p hidden>No</p><p aria-hidden="true">No</p><p>Yes</p>', ['Yes']],
])('%s', (_shows, html, lines) => {
  expect(said(html)).toEqual(lines);
});
