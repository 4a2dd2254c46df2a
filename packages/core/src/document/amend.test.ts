import fc from 'fast-check';
import { auditPage } from '../audit/run.ts';
import { speakPage } from '../spoken/page.ts';
import { amendPage } from './amend.ts';
import { parsePage, type Page } from './page.ts';
import type { ParentNode, TreeNode } from './tree.ts';

/** A page as plain data: every node with its text and places. */
function told(page: Page): string[] {
  const lines: string[] = [];
  const walk = (parent: ParentNode): void => {
    for (const node of parent.children) {
      lines.push(
        JSON.stringify({
          ...node,
          parent: null,
          children: null,
          content: node.kind === 'element' && node.content !== null,
        } satisfies Record<keyof TreeNode | 'children' | 'content', unknown>),
      );
      if (node.kind !== 'element') continue;
      if (node.content) walk(node.content);
      walk(node);
    }
  };
  walk(page.root);
  return lines;
}

function audited(source: string): Page {
  const page = parsePage(source);
  auditPage(page);
  speakPage(page);
  return page;
}

const PAGE =
  '<!doctype html><html lang="en"><head><title>Locks</title><style>p:empty { color: red } .faint { color: #aaa }</style></head><body>\n<h1>Locks</h1>\n<p>The keeper opens<br>the gate <b>at dawn</b>.</p><p class="faint">See <a href="#a">here</a> for more.</p><table><tr><th>Lock<td>12</table><!-- a note --><p id="a" title="one">- First of all</p><p>- Second of all</p><label for="f">Your name</label><input id="f"></body></html>';

/** The page after putting `text` for what stands behind `mark`, `over` characters long. */
const edited = (mark: string, text: string, over = 0) => {
  const at = PAGE.indexOf(mark) + mark.length;
  return PAGE.slice(0, at) + text + PAGE.slice(at + over);
};

test.each([
  ['a letter in a paragraph', edited('The keep', 'x')],
  ['a word at the end of a paragraph', edited('for more', ' than this', 0)],
  ['the name of a link', edited('>he', '', 1)],
  ['the start of a text', edited('<h1>', 'More ')],
  ['a typed marker that ends a list', edited('>- Sec', 'x', 3)],
  ['a cell', edited('<td>1', '3')],
  ['a label', edited('Your ', 'whole ')],
  ['the first character of a typed list', edited('title="one">', '', 2)],
])('%s is amended as if the page were parsed again', (_name, source) => {
  const amended = amendPage(audited(PAGE), source)!;
  const fresh = parsePage(source);
  expect(amended.source).toBe(source);
  expect(told(amended)).toEqual(told(fresh));
  expect(auditPage(amended).findings).toEqual(auditPage(fresh).findings);
  expect(speakPage(amended)).toEqual(speakPage(fresh));
});

test.each([
  ['a tag is typed', edited('keeper', '<i>')],
  ['a tag is begun', edited('keeper', '<')],
  ['a tag is taken away', edited('gate ', '', 3)],
  ['a character reference is typed', edited('keeper', '&amp;')],
  ['an attribute changes', edited('class="', 'x')],
  ['a tag’s name changes', edited('<h', '2', 1)],
  ['a style changes', edited('color: #', 'b', 1)],
  ['a comment changes', edited('a note', 's')],
  ['a text loses its last word', edited('<td>', '', 2)],
  ['the title changes', edited('<title>', 'All ')],
  ['two texts change', edited('keep', 'x').replace('Second', 'Other')],
])('nothing is amended when %s', (_name, source) => {
  expect(amendPage(audited(PAGE), source)).toBeNull();
});

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
  'a word or two ',
  'x',
  '<h2>',
  '</h2>',
  '<img alt>',
  '<a href=x>',
  '</a>',
  '<svg>',
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
  '<pre>\n',
  '\n',
  '- one<br>',
  '<div style="color:#999">',
  '</div>',
  '<label>',
  '<input>',
  '<button>',
  '</button>',
  '<textarea>',
  '</textarea>',
  '“quoted words of some length, said by a keeper”',
];

/** A place in one of the page's texts, or at its edge. */
function placeIn({ texts, source }: Page, which: number, where: number): number {
  const range = texts.length === 0 ? null : texts[which % texts.length]!.range;
  return range ? range.start + (where % (range.end - range.start + 1)) : where % (source.length + 1);
}

test('any text typed anywhere: amended or refused, never otherwise than parsed again', () => {
  let amendedPages = 0;
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom(...PIECES), { minLength: 4, maxLength: 30 }).map((parts) => parts.join('')),
      fc.array(
        fc.tuple(
          fc.nat(1_000),
          fc.nat(1_000),
          fc.nat(2),
          fc.constantFrom('a', ' red ', '- ', '1. ', '', '.', '<', '&', '\n', 'UPPER', '"', 'é', '😀'),
        ),
        { minLength: 1, maxLength: 4 },
      ),
      (html, edits) => {
        let source = html;
        let page = audited(source);
        for (const [which, where, over, put] of edits) {
          const at = placeIn(page, which, where);
          const next = source.slice(0, at) + put + source.slice(at + over);
          const amended = amendPage(page, next);
          if (amended && amended !== page) {
            amendedPages++;
            const fresh = parsePage(next);
            expect(told(amended)).toEqual(told(fresh));
            expect(auditPage(amended)).toEqual(auditPage(fresh));
            expect(speakPage(amended)).toEqual(speakPage(fresh));
          }
          page = amended ?? audited(next);
          source = next;
        }
      },
    ),
    { seed: 21, numRuns: 1_500 },
  );
  expect(amendedPages).toBeGreaterThan(500);
});
