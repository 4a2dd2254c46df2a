import { parsePage } from '../document/page.ts';
import { importsOf, referencesOf } from './references.ts';

test('a page names links, images with their words, anchors and style sheets, each once and as paths of its collection', () => {
  const page = parsePage(`<link rel="Stylesheet alternate" href="../site.css"><h2 id="wax">Wax</h2>
    <a href="soy.html#price">Soy</a> <a href="soy.html#price">again</a> <a href="#wax">up</a> <a href="https://locks.example/a?b#c">out</a> <a href="javascript:x()">x</a>
    <img src="images/queen%20bee.png" alt="A queen"><img src="images/queen%20bee.png"><img src="data:image/png;base64,AA" alt="">`);
  expect(referencesOf(page, 'unit-1/wax.html')).toEqual([
    { kind: 'sheet', target: 'site.css', fragment: '', alternative: null },
    { kind: 'link', target: 'unit-1/soy.html', fragment: 'price', alternative: null },
    { kind: 'link', target: 'unit-1/wax.html', fragment: 'wax', alternative: null },
    { kind: 'link', target: 'https://locks.example/a?b', fragment: 'c', alternative: null },
    { kind: 'image', target: 'unit-1/images/queen bee.png', fragment: '', alternative: 'A queen' },
    { kind: 'image', target: 'unit-1/images/queen bee.png', fragment: '', alternative: null },
    { kind: 'anchor', target: 'unit-1/wax.html', fragment: 'wax', alternative: null },
  ]);
});

test('what a page plays or holds in a frame is named too, captions among it', () => {
  const page = parsePage(
    '<video src="../film/lock.mp4"><track src="../film/lock.vtt"></video><object data="map.pdf"></object><iframe src="about:blank"></iframe>',
  );
  expect(referencesOf(page, 'unit-1/lock.html').map(({ kind, target }) => [kind, target])).toEqual([
    ['media', 'film/lock.mp4'],
    ['media', 'film/lock.vtt'],
    ['media', 'unit-1/map.pdf'],
  ]);
});

test('a style sheet names those it imports', () => {
  expect(importsOf('@import "print.css" print; @import url(base.css); p { color: red }')).toEqual(['print.css', 'base.css']);
  expect(importsOf('p { color: red }')).toEqual([]);
});
