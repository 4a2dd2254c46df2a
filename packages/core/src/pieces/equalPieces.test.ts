import { parsePage } from '../document/page.ts';
import { auditPage } from '../audit/run.ts';
import { slipsOf, type Slip } from './equalPieces.ts';

/** The slips of a page by rule. */
function slips(body: string, address = 'page.html', html = '<html lang="en">'): Record<string, Slip | null> {
  const page = parsePage(`<!doctype html>${html}<head><title>Locks</title></head><body>${body}</body></html>`, { scope: 'document' });
  const { findings } = auditPage(page);
  const found = slipsOf(page, address, findings);
  return Object.fromEntries(findings.map(({ rule }, nth) => [rule, found[nth]!]));
}

const header = ({ here = '', up = '', year = '2025', home = 'Home' } = {}) =>
  `<header><a href="${up}index.html"><img src="${up}img/logo.png"></a><ul><li${here}><a href="${up}index.html">${home}</a></li>` +
  `<li><a href="${up}visit.html">Plan your visit</a></li></ul><p>© Larkmoor Canal Trust ${year}</p></header>`;
const LOGO = 'images/no-alternative';
const rest = (title: string) => `<main><h1>${title}</h1><p>Words of ${title}, and more of them.</p></main>`;
const logo = (body: string, address?: string) => slips(body, address)[LOGO];

describe('equal pieces', () => {
  const first = logo(header() + rest('Locks'));

  test('are equal whatever the page around them says', () => {
    expect(first).toMatchObject({ part: 'header' });
    expect(logo(header() + rest('Walks'))).toEqual(first);
  });

  test.each([
    ['addresses', header({ up: '../' }), 'deep/page.html'],
    ['the mark of the current page', header({ here: ' class="current" aria-current="page"' }), 'page.html'],
    ['years', header({ year: '2026' }), 'page.html'],
    ['ids and white space', header().replace('<ul>', '\n  <ul id="menu">\n '), 'page.html'],
  ])('are equal but for %s', (_what, body, address) => {
    expect(logo(body + rest('Locks'), address)).toEqual(first);
  });

  test('are equal where the current page’s link is words', () => {
    const menu = (home: string) =>
      `<nav><ul><li>${home}</li><li><a href="visit.html">Plan your visit to the locks</a></li></ul><marquee>News</marquee></nav>`;
    const [linked, marked] = ['<a href="index.html">Home</a>', '<strong>Home</strong>'].map(
      (home) => slips(menu(home) + rest('Locks'))['text/moving'],
    );
    expect(linked).toMatchObject({ part: 'navigation' });
    expect(marked).toEqual(linked);
  });

  test('differ by another image, another word, another class', () => {
    const others = [
      header().replace('logo.png', 'other.png'),
      header().replace('<a href="index.html"><img', 'Go <a href="index.html"><img'),
      header().replace('<header>', '<header class="wide">'),
    ];
    // The logo stands in a header that is one piece: each of these is another.
    for (const other of others) expect(logo(other + rest('Locks'))).not.toEqual(first);
  });

  test('a slip is told apart from the same slip beside it in the piece', () => {
    const page = parsePage('<footer><p>Larkmoor Canal Trust, open all year. <img src="a.png"><img src="a.png"></p></footer>', {
      scope: 'document',
    });
    const { findings } = auditPage(page);
    const found = slipsOf(page, 'p.html', findings).flatMap((slip, nth) => (findings[nth]!.rule === LOGO ? [slip?.key] : []));
    expect(found.length === 1 || new Set(found).size === found.length).toBe(true);
  });
});

describe('what has nothing of its own', () => {
  test('is no piece: an empty heading between paragraphs is not the one of another page', () => {
    expect(slips(`<main><h1>Locks</h1><h2></h2><p>Some words of the locks.</p></main>`)['headings/blank']).toBeNull();
  });

  test('of the template is known by its tag: a page without a language', () => {
    const [a, b] = ['Locks', 'Walks'].map((title) => slips(rest(title), 'p.html', '<html>')['document/no-language']);
    expect(a).toMatchObject({ part: 'template' });
    expect(b).toEqual(a);
  });
});

describe('pages from before header and footer elements', () => {
  test('say by class or id where a piece stands', () => {
    const footer = (name: string) => `<div ${name}><p>Larkmoor Canal Trust <img src="mark.png"></p></div>`;
    expect(logo(rest('Locks') + footer('class="navfooter"'))).toMatchObject({ part: 'footer' });
    expect(logo(rest('Locks') + footer('id="sidebar"'))).toMatchObject({ part: 'aside' });
    expect(logo(rest('Locks') + footer('class="note"'))).toMatchObject({ part: 'content' });
  });
});
