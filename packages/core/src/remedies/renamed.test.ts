import { applyEdits as applied } from '../source/edits.ts';
import { parsePage } from '../document/page.ts';
import { renamedReference, renameInStyles, renameInXml, renameOnPage } from './renamed.ts';

const RENAMES = new Map([
  ['img/IMG 1.JPG', 'img/heron-at-lock.jpg'],
  ['img/old.png', 'pictures/deep & wide.png'],
  ['web_resources/map.png', 'web_resources/maps/canal.png'],
]);

const onPage = (html: string, at = 'unit/page.html') => applied(html, renameOnPage(parsePage(html), at, RENAMES));

test.each([
  ['../img/IMG%201.JPG?v=2#x', 'unit/page.html', '../img/heron-at-lock.jpg?v=2#x'],
  ['/img/IMG 1.JPG', 'unit/page.html', '/img/heron-at-lock.jpg'],
  ['img/old.png', 'index.html', 'pictures/deep%20%26%20wide.png'],
  ['../img/old.png', 'unit/page.html', '../pictures/deep%20%26%20wide.png'],
  ['old.png', 'img/gallery.html', '../pictures/deep%20%26%20wide.png'],
  ['$IMS-CC-FILEBASE$/map.png', 'quiz/q.xml#/quiz[1]', '$IMS-CC-FILEBASE$/maps/canal.png'],
  ['img/other.png', 'index.html', null],
  ['https://elsewhere.example/img/old.png', 'index.html', null],
])('%s in %s becomes %s', (written, from, now) => expect(renamedReference(written, from, RENAMES)).toBe(now));

test('what a file that moves refers to is seen from its new place', () => {
  const moves = new Map([['unit/look.css', 'look.css']]);
  const sheet = '.a { background: url(../img/b.png) } .c { background: url(d.png) } .e { background: url(/f.png) }';
  expect(applied(sheet, renameInStyles(sheet, 'unit/look.css', moves))).toBe(
    '.a { background: url(img/b.png) } .c { background: url(unit/d.png) } .e { background: url(/f.png) }',
  );
});

test('every reference on a page follows, in its own quotes, and nothing else changes', () => {
  expect(
    onPage(
      `<style>a { background: url('../img/old.png') }</style><img src='../img/IMG%201.JPG' alt="IMG 1.JPG"><a href=../img/old.png>x</a>` +
        `<img srcset="../img/IMG%201.JPG 1x, ../img/b.png 2x"><p style="background:url(../img/old.png)">y</p><video poster="../img/old.png"></video><svg><image xlink:href="../img/old.png"/></svg>`,
    ),
  ).toBe(
    `<style>a { background: url('../pictures/deep%20%26%20wide.png') }</style><img src='../img/heron-at-lock.jpg' alt="IMG 1.JPG"><a href=../pictures/deep%20%26%20wide.png>x</a>` +
      `<img srcset="../img/heron-at-lock.jpg 1x, ../img/b.png 2x"><p style="background:url(../pictures/deep%20%26%20wide.png)">y</p><video poster="../pictures/deep%20%26%20wide.png"></video><svg><image xlink:href="../pictures/deep%20%26%20wide.png"/></svg>`,
  );
});

test('style sheets, manifests and drawings follow', () => {
  const sheet = '@import "x.css"; .a { background: url( ../img/old.png ) } /* old.png */';
  expect(applied(sheet, renameInStyles(sheet, 'css/a.css', RENAMES))).toBe(
    sheet.replace('../img/old.png', '../pictures/deep%20%26%20wide.png'),
  );
  const manifest = '<resource xml:base="img/" href="IMG%201.JPG"><file href="IMG%201.JPG"/><file href="b.png"/></resource>';
  expect(applied(manifest, renameInXml(manifest, 'imsmanifest.xml', RENAMES))).toBe(
    manifest.replaceAll('IMG%201.JPG', 'heron-at-lock.jpg'),
  );
  const drawing = '<svg xmlns="urn:s"><image href="old.png"/><a xlink:href="gallery.html">x</a></svg>';
  expect(applied(drawing, renameInXml(drawing, 'img/map.svg', RENAMES))).toBe(
    drawing.replace('old.png', '../pictures/deep%20%26%20wide.png'),
  );
});
