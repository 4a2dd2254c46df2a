/** @jest-environment jsdom */
import { parsePage, textBlocks } from '@inkwell/core';
import { getSchema } from '@tiptap/core';
import { partsOf, readAll, readPieces, type Parts } from './read';
import { summaryOf, textExtensions, type Piece } from './schema';
import { writeText } from './write';

const schema = getSchema(textExtensions((src) => src));

function opened(html: string): { parts: Parts; pieces: Piece[] } {
  const blocks = textBlocks(parsePage(html, { scope: 'fragment' }))!;
  return { parts: partsOf(html, blocks), pieces: readPieces(schema, html, blocks) };
}

/** What an edit of the pieces makes of a page. */
function edited(html: string, edit: (pieces: Piece[]) => Piece[]): string {
  const { parts, pieces } = opened(html);
  return writeText(parts, pieces, edit(JSON.parse(JSON.stringify(pieces)) as Piece[]));
}

const say = (text: string): Piece => ({ type: 'paragraph', content: [{ type: 'text', text }] });

const PAGES = [
  '<h2 id="a">Wax</h2>\n<p  class=lead>One <b>two</b> <i>three</i> &amp; four</p>\n\n<ul>\n  <li>a<ul><li>b</ul>\n  <li>c</li></ul>\n',
  '<div class="x">\r\n\t<p>One\r\n\t<p>Two</p></div>\r\n<!-- kept -->\r\n<video src="a.mp4"></video><p>Three<br>four <img src=a.png alt="A"></p>',
  '<table border=1><caption>Yields</caption><tr><th scope=col>Hive<td>12 <a href="x">kg</a></table><dl><dt>Wax<dd>Candles</dl>Bare words<blockquote><p>Said</p></blockquote>',
];

test.each(PAGES)('what nobody touches is written byte for byte: %j', (html) => {
  expect(edited(html, (pieces) => pieces)).toBe(html);
});

test.each(PAGES)('a word put into one block leaves every other byte: %j', (html) => {
  const { parts, pieces } = opened(html);
  for (const [i, piece] of pieces.entries()) {
    if (piece.type !== 'paragraph' && piece.type !== 'heading') continue;
    const after = edited(html, (all) =>
      all.map((one, at) => (at === i ? { ...one, content: [...(one.content ?? []), { type: 'text', text: ' more' }] } : one)),
    );
    const before = parts.gaps
      .slice(0, i + 1)
      .map((gap, at) => gap + (at < i ? parts.blocks[at]! : ''))
      .join('');
    expect(after.startsWith(before)).toBe(true);
    expect(
      after.endsWith(
        parts.gaps
          .slice(i + 1)
          .map((gap, at) => gap + (parts.blocks[i + 1 + at] ?? ''))
          .join(''),
      ),
    ).toBe(true);
    expect(after).toContain(' more');
  }
});

test('a changed block is sound markup that keeps its attributes, links, images and languages', () => {
  const html =
    '<p class="lead" id="x">See <a href="a.html" title="T">the <b>hive</b></a>, <span lang="de">Wachs</span> <img src="a.png" alt="A &quot;b&quot;" width="9"> &lt;here&gt;</p>';
  expect(edited(html, ([piece]) => [{ ...piece!, content: [...piece!.content!, { type: 'text', text: ' & now' }] }])).toBe(
    '<p class="lead" id="x">See <a href="a.html" title="T">the <strong>hive</strong></a>, <span lang="de">Wachs</span> <img src="a.png" alt="A &quot;b&quot;" width="9"> &lt;here&gt; &amp; now</p>',
  );
});

test('new blocks stand where they were put, inside what holds their neighbours', () => {
  const html = '<main>\n<h2>Wax</h2>\n<p>One</p>\n</main>\n<p>After</p>';
  expect(edited(html, ([a, b, c]) => [a!, say('New'), b!, say('More'), c!])).toBe(
    '<main>\n<h2>Wax</h2>\n<p>New</p>\n<p>One</p>\n<p>More</p>\n</main>\n<p>After</p>',
  );
  expect(edited(html, (all) => [say('First'), ...all])).toBe('<main>\n<p>First</p>\n<h2>Wax</h2>\n<p>One</p>\n</main>\n<p>After</p>');
  expect(edited(html, (all) => [...all, say('Last')])).toBe('<main>\n<h2>Wax</h2>\n<p>One</p>\n</main>\n<p>After</p>\n<p>Last</p>');
});

test('a block that is taken out leaves the tags around it, and one line end', () => {
  expect(edited('<main>\n<h2>Wax</h2>\n<p>One</p>\n</main>\n<p>After</p>', ([a, , c]) => [a!, c!])).toBe(
    '<main>\n<h2>Wax</h2>\n\n</main>\n<p>After</p>',
  );
  expect(edited('<p>a</p>\n<p>b</p>\n<p>c</p>', ([a, , c]) => [a!, c!])).toBe('<p>a</p>\n<p>c</p>');
  expect(edited('<main>\n<p>a</p>\n</main>', () => [])).toBe('<main>\n\n</main>');
});

test('blocks that change places keep their bytes', () => {
  expect(edited('<p  >a</p>\n<p>b</p>\n<p>c</p>', ([a, b, c]) => [b!, c!, a!])).toBe('<p>b</p>\n<p>c</p>\n<p  >a</p>');
});

test('a list is nested, a table keeps its head, caption and scopes', () => {
  const list = '<ol start="3"><li>a<ol type="a"><li>b</li></ol></li></ol>';
  const touched = (html: string) => edited(html, ([piece]) => [{ ...piece!, attrs: { ...piece!.attrs, origin: null } }]);
  expect(touched(list)).toBe('<ol start="3">\n<li>a\n<ol type="a">\n<li>b</li>\n</ol></li>\n</ol>');
  expect(
    touched(
      '<table class="t"><caption>A &amp; b</caption><thead><tr><th scope="col" colspan="2">H</th></tr></thead><tbody><tr><td>1</td><td>2</td></tr></tbody></table>',
    ),
  ).toBe(
    '<table class="t">\n<caption>A &amp; b</caption>\n<thead>\n<tr><th scope="col" colspan="2">H</th></tr>\n</thead>\n<tbody>\n<tr><td>1</td><td>2</td></tr>\n</tbody>\n</table>',
  );
});

test('what the editor would not show whole stays as it is', () => {
  for (const html of ['<video src="a.mp4">words</video>', '<p>One <!-- said --> two</p>', '<form><input></form>', '<pre>a\n b</pre>'])
    expect(opened(html).pieces.map((piece) => piece.type)).toEqual(['opaque']);
  expect(summaryOf('<figure><script>x()</script><figcaption>A hive</figcaption></figure>')).toBe('<figure> A hive');
});

test('nothing hostile in a text dresses the editor: attributes are kept aside', () => {
  const [piece] = opened('<p style="position:fixed" onclick="x()">Words</p>').pieces;
  expect(piece!.attrs!.kept).toEqual({ style: 'position:fixed', onclick: 'x()' });
  expect(readAll(schema, '<p>One</p><p>Two</p>')!.map((one) => one.type)).toEqual(['paragraph', 'paragraph']);
});
