import { surroundingsFrom } from '../document/addresses.ts';
import { parsePage } from '../document/page.ts';
import { candidatesIn } from '../semantics/images.ts';
import { backgroundsIn, inspectImageUses, inspectLinkUses } from './uses.ts';

test('a source set gives each of its files once', () => {
  const addresses = (srcset: string) => candidatesIn(srcset).map(({ address }) => address);
  expect(addresses('a.png 1x, b.png 2x')).toEqual(['a.png', 'b.png']);
  // A comma within an address is part of it (HTML Living Standard, 4.8.4.2.1).
  expect(addresses(' a.png, b,c.png 300w ,d.png')).toEqual(['a.png', 'b,c.png', 'd.png']);
  expect(addresses('')).toEqual([]);
});

test('images that a style sheet sets come with their selectors, fonts and imports do not', () => {
  const sheet =
    '@import url(x.css); @font-face { src: url(f.woff) } .a, b { background: url("x.png"), url(y.png) } @media print { c { list-style: url(z.gif) } }';
  expect(backgroundsIn(sheet)).toEqual([
    { selector: '.a,b', url: 'x.png' },
    { selector: '.a,b', url: 'y.png' },
    { selector: 'c', url: 'z.gif' },
  ]);
});

test('every way a page shows an image is a use, with what is said of it', () => {
  const page = parsePage(
    '<link rel="icon" href="/i.ico"><style>.k { background: url(k.png) }</style><a href="x"><img src="../img/a.png" srcset="../img/a.png 1x, a2.png 2x" alt=""></a>' +
      '<figure><img src="b.png"><figcaption>The lock</figcaption></figure><div style="background-image: url(d.png)"></div><video poster="p.jpg"></video>' +
      '<input type="image" src="go.png" alt="Go"><object data="o.svg"></object><img src="https://elsewhere.example/e.png" alt="E"><img src="data:image/png;base64,AA" alt="D">',
  );
  const uses = inspectImageUses(page, 'unit/page.html').map(({ file, kind, alt, decorative, linked, caption, borrowed }) => [
    file,
    kind,
    alt,
    [decorative && 'decorative', linked && 'linked', borrowed && 'borrowed', caption].filter(Boolean).join(' '),
  ]);
  expect(uses).toEqual([
    ['i.ico', 'icon', null, ''],
    ['unit/k.png', 'background', null, ''],
    ['img/a.png', 'img', '', 'decorative linked'],
    ['unit/a2.png', 'srcset', '', 'decorative linked'],
    ['unit/b.png', 'img', null, 'The lock'],
    ['unit/d.png', 'background', null, ''],
    ['unit/p.jpg', 'poster', null, ''],
    ['unit/go.png', 'input', 'Go', ''],
    ['unit/o.svg', 'object', null, ''],
    ['https://elsewhere.example/e.png', 'img', 'E', 'borrowed'],
  ]);
});

test('links say where they lead and whether something is there', () => {
  const neighbours = { titles: { 'a.html': 'A', 'b.html': 'B' }, files: ['a.html', 'b.html'], anchors: { 'b.html': ['deep'] } };
  const surroundings = surroundingsFrom({ address: 'a.html', scope: 'document', title: '' }, neighbours);
  const page = parsePage(
    '<p id="here">x</p><a href="#here">1</a><a href="#lost">2</a><a href="b.html#deep">3</a><a href="b.html#shallow">4</a><a href="c.html">5</a><a href="mailto:ines@larkmoor.example">6</a><a href="javascript:go()">7</a><a href="#top">8</a>',
    { surroundings },
  );
  expect(inspectLinkUses(page, 'a.html').map(({ to, state }) => `${to} ${state}`)).toEqual([
    'a.html#here ok',
    'a.html#lost missing-anchor',
    'b.html#deep ok',
    'b.html#shallow missing-anchor',
    'c.html missing-page',
    'mailto:ines@larkmoor.example outside',
    ' no-destination',
    'a.html#top ok',
  ]);
});
