import fc from 'fast-check';
import { parse, defaultTreeAdapter as standard } from 'parse5';
import { auditPage } from '../audit/run.ts';
import { DEEPEST_NESTING } from './adapter.ts';
import { parsePage } from './page.ts';
import { elementParent, rawText, type ParentNode, type Range } from './tree.ts';

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

type StandardNode = Parameters<typeof standard.getChildNodes>[0] | ReturnType<typeof standard.getChildNodes>[number];
const place = (range: { startOffset: number; endOffset: number } | null | undefined) =>
  range ? `${range.startOffset}–${range.endOffset}` : '';

/**
 * Elements, attributes, texts and comments in document order with their ranges, by parse5 with its own tree and tokenizer: the reference
 * for ours.
 */
function referenceTree(html: string): string[] {
  const told: string[] = [];
  const walk = (node: Parameters<typeof standard.getChildNodes>[0]): void => {
    for (const child of standard.getChildNodes(node)) told.push(...referenceNode(child));
    for (const child of standard.getChildNodes(node)) if (standard.isElementNode(child)) walk(child);
  };
  walk(parse(html, { sourceCodeLocationInfo: true }));
  return told;
}

function referenceNode(node: StandardNode): string[] {
  if (standard.isTextNode(node)) return [`text ${node.value} ${place(node.sourceCodeLocation)}`];
  if (standard.isCommentNode(node)) return [`comment ${node.data} ${place(node.sourceCodeLocation)}`];
  return standard.isElementNode(node) ? [`<${node.tagName} ${node.attrs.map(({ name, value }) => `${name}=${value}`).join(' ')}>`] : [];
}

function ourTree(html: string): string[] {
  const told: string[] = [];
  const range = (at: Range | null) => (at ? `${at.start}–${at.end}` : '');
  const walk = (node: ParentNode): void => {
    for (const child of node.children) {
      if (child.kind === 'element') told.push(`<${child.tag} ${child.attributes.map(({ name, value }) => `${name}=${value}`).join(' ')}>`);
      else told.push(`${child.kind} ${child.text} ${range(child.range)}`);
    }
    for (const child of node.children) if (child.kind === 'element') walk(child);
  };
  walk(parsePage(html).root);
  return told;
}

const PIECES = [
  '<p>',
  '</p>',
  '<b>',
  '</b>',
  '<table>',
  '<tr>',
  '<td>',
  '</table>',
  '<ul>',
  '<li>',
  '</ul>',
  'text',
  '<h2>',
  '</h2>',
  '<img alt>',
  '<a href=x>',
  '</a>',
  '<svg>',
  '<title>',
  '</svg>',
  '<!--x',
  '-->',
  '<select><option>',
  '<template>',
  '</template>',
  '&amp;',
  '<br>',
  '<body>',
  '</html>',
  '<i',
  '=""',
  '>',
  'one  two\n',
  '\r\n',
  '\r',
  '\0',
  '😀',
  '\ud83d',
  '&#10;',
  '&#0;',
  ' ',
  '<textarea>',
  '</textarea>',
  '<pre>',
  '\n',
  '<style>a{}/*',
  '</style>',
  '<script><!-- x',
  '</script>',
  '<a title="one\r\ntwo & &copy 😀',
  "' b='x y",
  '"',
  '<!-- a - b -> ',
  '<frameset>',
  '<plaintext>',
  '<math>',
  '<![CDATA[ x y',
  ']]>',
];
const mangled = fc.array(fc.constantFrom(...PIECES), { maxLength: 40 }).map((parts) => parts.join(''));

test('the tree is parse5’s, on any input, and an audit never throws', () => {
  fc.assert(
    fc.property(mangled, (html) => {
      auditPage(parsePage(html));
      expect(ourTree(html)).toEqual(referenceTree(html));
    }),
    { seed: 11, numRuns: 4_000 },
  );
});

/** Where each element of the reference lies, in document order: whole, start tag and end tag. */
function referencePlaces(html: string): string[] {
  const told: string[] = [];
  const walk = (node: Parameters<typeof standard.getChildNodes>[0]): void => {
    for (const child of standard.getChildNodes(node)) {
      if (!standard.isElementNode(child)) continue;
      const at = child.sourceCodeLocation;
      told.push([at, at?.startTag, at?.endTag].map(place).join(' '));
      walk(child);
    }
  };
  walk(parse(html, { sourceCodeLocationInfo: true }));
  return told;
}

test('elements lie where parse5 has them; those that error recovery opened again lie nowhere, those of a stray end tag at that tag', () => {
  fc.assert(
    fc.property(mangled, (html) => {
      const theirs = referencePlaces(html);
      const strays = new Set<number>();
      const ours = parsePage(html).elements;
      for (const [i, { tag, range, startTag, endTag }] of ours.entries()) {
        if (range && !startTag) {
          expect(html.slice(range.start, range.end).toLowerCase()).toBe(`</${tag}>`);
          expect(strays.has(range.start)).toBe(false);
          strays.add(range.start);
        } else if (range) expect([range, startTag, endTag].map((one) => (one ? `${one.start}–${one.end}` : '')).join(' ')).toBe(theirs[i]);
      }
      const starts = ours.flatMap(({ range, startTag }) => (range && startTag ? [range.start] : []));
      expect(new Set(starts).size).toBe(starts.length);
      expect(new Set(theirs.flatMap((told) => told.split('–')[0]!.trim() || [])).size).toBe(starts.length);
    }),
    { seed: 12, numRuns: 2_000 },
  );
});
