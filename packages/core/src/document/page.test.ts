import fc from 'fast-check';
import { parse, defaultTreeAdapter as standard } from 'parse5';
import { auditPage } from '../audit/run.ts';
import { DEEPEST_NESTING } from './adapter.ts';
import { parsePage } from './page.ts';
import { elementParent, rawText } from './tree.ts';

test('a page without html, head or body tags is a fragment; the caller may overrule', () => {
  expect(parsePage('<p>x</p>').scope).toBe('fragment');
  expect(parsePage('<!doctype html><title>x</title><p>x</p>').scope).toBe('fragment');
  expect(parsePage('<p>x</p><body class="late">').scope).toBe('document');
  expect(parsePage('<!-- <html> --><p>x').scope).toBe('fragment');
  expect(parsePage('<p>x</p>', { scope: 'document' }).scope).toBe('document');
});

test('ranges are the source’s own', () => {
  const source = '<p class="a">One <b>two</b></p>';
  const page = parsePage(source);
  const [p, b] = [page.elements.find((element) => element.tag === 'p')!, page.elements.find((element) => element.tag === 'b')!];
  expect(source.slice(p.startTag!.start, p.startTag!.end)).toBe('<p class="a">');
  expect(source.slice(p.attributes[0]!.range!.start, p.attributes[0]!.range!.end)).toBe('class="a"');
  expect(source.slice(b.range!.start, b.range!.end)).toBe('<b>two</b>');
  expect(source.slice(b.endTag!.start, b.endTag!.end)).toBe('</b>');
});

test('an element that error recovery opened again has no source of its own', () => {
  const page = parsePage('<p><b>one<p>two</b>');
  const bold = page.elements.filter((element) => element.tag === 'b');
  expect(bold.map((element) => element.range !== null)).toEqual([true, false]);
});

test('nesting stops where browsers stop, and nothing is lost', () => {
  const page = parsePage(`${'<div>'.repeat(5_000)}deep`);
  let depth = 0;
  for (let up = page.elements.at(-1) ?? null; up; up = elementParent(up)) depth++;
  expect(depth).toBeLessThanOrEqual(DEEPEST_NESTING + 1);
  expect(page.elements.filter((element) => element.tag === 'div')).toHaveLength(5_000);
  expect(rawText(page.root)).toBe('deep');
});

/** Element tags in document order, by parse5 with its own tree: the reference for ours. */
function referenceTags(html: string): string[] {
  const tags: string[] = [];
  const walk = (node: Parameters<typeof standard.getChildNodes>[0]): void => {
    for (const child of standard.getChildNodes(node)) {
      if (!standard.isElementNode(child)) continue;
      tags.push(standard.getTagName(child));
      walk(child);
    }
  };
  walk(parse(html));
  return tags;
}

const PIECES = ['<p>', '</p>', '<b>', '</b>', '<table>', '<tr>', '<td>', '</table>', '<ul>', '<li>', '</ul>', 'text', '<h2>', '</h2>', '<img alt>', '<a href=x>', '</a>', '<svg>', '<title>', '</svg>', '<!--x', '-->', '<select><option>', '<template>', '</template>', '&amp;', '<br>', '<body>', '</html>', '<i', '=""', '>'];
const mangled = fc.array(fc.constantFrom(...PIECES), { maxLength: 40 }).map((parts) => parts.join(''));

test('the tree is parse5’s, on any input, and an audit never throws', () => {
  fc.assert(fc.property(mangled, (html) => {
    const page = parsePage(html);
    auditPage(page);
    expect(page.elements.map((element) => element.tag)).toEqual(referenceTags(html));
  }), { seed: 11, numRuns: 1_500 });
});
