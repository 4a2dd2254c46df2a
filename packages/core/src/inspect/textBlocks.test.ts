import { parsePage } from '../document/page.ts';
import { textBlocks } from './textBlocks.ts';

/** Each block as written, with a plus where it is understood. */
function blocks(html: string): string[] | null {
  const page = parsePage(html);
  return textBlocks(page)?.map(({ start, end, understood }) => `${understood ? '+' : '-'}${html.slice(start, end)}`) ?? null;
}

test('paragraphs, headings, lists, quotations and tables lie one after the other, inside whatever holds them', () => {
  expect(
    blocks(
      '<main>\n<h2>Wax</h2>\n<div class="lead"><p>One <b>two</b></p></div>\n<ul><li>a<ul><li>b</li></ul></li></ul></main>\n<blockquote><p>Said</p></blockquote>',
    ),
  ).toEqual([
    '+<h2>Wax</h2>',
    '+<p>One <b>two</b></p>',
    '+<ul><li>a<ul><li>b</li></ul></li></ul>',
    '+<blockquote><p>Said</p></blockquote>',
  ]);
});

test('end tags that were left out are no trouble', () => {
  expect(blocks('<p>One\n<p>Two\n<ul><li>a<li>b</ul>')).toEqual(['+<p>One\n', '+<p>Two\n', '+<ul><li>a<li>b</ul>']);
});

test.each([
  ['<table><caption>Yields</caption><thead><tr><th>Hive</th></tr></thead><tbody><tr><td>12 <b>kg</b></td></tr></tbody></table>', true],
  ['<table><tr><th scope="col">Hive</th></tr><tr><td><p>12</p></td></tr></table>', true],
  ['<table><caption>The <b>yields</b></caption><tr><td>12</td></tr></table>', false],
  ['<table><tr><td><table><tr><td>12</td></tr></table></td></tr></table>', false],
  ['<table><colgroup><col></colgroup><tr><td>12</td></tr></table>', false],
  ['<p>One <!-- said --> two</p>', false],
  ['<p>One <input> two</p>', false],
  ['<p>One <svg><path/></svg> two</p>', false],
  ['<ul><li>One</li><script>x</script></ul>', false],
  ['<ul><li>One<ul><li>a</li></ul> and after</li></ul>', false],
  ['<ul><li><p>One</p></li></ul>', true],
  ['<dl><dt>Wax</dt><dd>Candles</dd></dl>', false],
  ['<figure><img src="a.png" alt="A"><figcaption>A</figcaption></figure>', false],
  ['<video src="a.mp4"></video>', false],
])('%s: understood %s', (html, understood) => {
  expect(blocks(html)).toEqual([`${understood ? '+' : '-'}${html}`]);
});

test('words without a block of their own are one that stays as it is', () => {
  expect(blocks('Bare <b>words</b>\n<p>One</p> and <i>more</i>')).toEqual(['-Bare <b>words</b>\n', '+<p>One</p>', '- and <i>more</i>']);
});

test('a tag that is left open reaches into what follows, so its blocks stay as they are', () => {
  expect(blocks('<p>One <b>two</p><p>three</p><p>four</b></p>')).toEqual(['-<p>One <b>two</p>', '-<p>three</p>', '-<p>four</b></p>']);
});

test('tangled markup has no blocks', () => {
  expect(blocks('<table><p>One</p><tr><td>Two</td></tr></table>')).toBeNull();
});

test('blocks of any page lie in order and within it', () => {
  for (const html of [
    '<b><p>One</b> two</p>',
    '<div><div><p>a</div></p></div>',
    '<p><div>x</div></p>',
    '<ul><p>a</p><li>b</ul><li>c',
    '<body><p>a</body><p>b</html><p>c',
  ]) {
    const found = textBlocks(parsePage(html));
    for (const [i, block] of (found ?? []).entries()) {
      expect(block.start).toBeGreaterThanOrEqual(i === 0 ? 0 : found![i - 1]!.end);
      expect(block.end).toBeLessThanOrEqual(html.length);
    }
  }
});
