import { parsePage } from '../document/page.ts';
import { makeUpOf } from './makeUp.ts';

const page = (body: string) => makeUpOf(parsePage(body, { scope: 'fragment' }));

test('a lesson: an introduction, an image at the top with its caption, two sections', () => {
  expect(
    page(`<p>The hive in spring.</p><figure><img src="a.png" alt="A hive"><figcaption>A hive</figcaption></figure>
      <h2>1. What you need</h2><p>A smoker.</p><h3>Fuel</h3><p>Straw.</p><h2>What you learnt</h2><p>Much.</p>`),
  ).toEqual({
    opens: 'text',
    firstHeading: '2',
    levels: '2 3',
    introduction: 'yes',
    imageAtTop: 'yes',
    captions: 'all',
    firstSection: 'what you need',
    lastSection: 'what you learnt',
  });
});

test('what a site repeats around its content, and its title, is no part of how a page opens', () => {
  const html = `<html><body><header><h2>Trust</h2><img src="mark.png" alt="Trust"></header><nav><ul><li><a href="/">Home</a></li></ul></nav>
    <main><h1>Visit</h1><ul><li>By boat</li></ul></main><footer><h2>Find us</h2></footer></body></html>`;
  expect(makeUpOf(parsePage(html))).toMatchObject({
    opens: 'a list',
    firstHeading: '1',
    levels: '1',
    captions: 'no images',
    firstSection: '',
    lastSection: '',
  });
});

test.each([
  ['<h2>Wax</h2><p>It melts.</p>', 'a heading', 'no'],
  ['<p><img src="a.png" alt="A bee"></p><h2>Wax</h2>', 'an image', 'no'],
  ['<table><tr><td>1</td></tr></table>', 'a table', 'yes'],
  ['', 'nothing', 'no'],
])('%s opens with %s', (html, opens, introduction) => {
  expect(page(html)).toMatchObject({ opens, introduction });
});

test('an image far down, or in the second section, stands not at the top', () => {
  expect(page(`<p>${'word '.repeat(80)}</p><p><img src="a.png" alt="a"></p>`).imageAtTop).toBe('no');
  expect(page('<h2>A</h2><p>a</p><h2>B</h2><p><img src="a.png" alt="a"></p>').imageAtTop).toBe('no');
});
