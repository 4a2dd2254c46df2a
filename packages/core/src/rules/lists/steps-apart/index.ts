import { defineRule } from '../../types.ts';
import { shownText } from '../../../semantics/names.ts';
import type { Page } from '../../../document/page.ts';
import type { ElementNode } from '../../../document/tree.ts';
import { typedLists } from '../../../semantics/typedLists.ts';
import { groupedBy } from '../../../document/grouped.ts';
import { passages } from '../../../semantics/passages.ts';
import { markersOf } from '../../../semantics/markers.ts';
export const rule = defineRule({
  id: 'lists/steps-apart',
  title: 'Numbered steps with text between',
  why: 'A listener is not told how many steps there are, or which one comes next.',
  fix: 'Make one list of the steps, each with its text in it.',
  question: {
    ask: 'Are these the steps of one list?',
    yes: 'Yes, make them a list',
    no: 'No, the numbers mean something else',
    same: ['piece'],
  },
  criteria: ['1.3.1'],
  techniques: ['H48'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    apart: '{count} paragraphs are numbered in a row, with text between them, from “{first}” on',
  },
  end(page, tell) {
    for (const run of stepsApart(page))
      tell({
        at: run[0]!,
        through: run.at(-1)!,
        message: 'apart',
        values: { count: run.length, first: shownText(page, run[0]!, 80) },
        subject: shownText(page, run[0]!, 80),
        outcome: 'cantTell',
      });
  },
});

const NUMBERED = /^\s*\(?\d/;
const FIRST = /^\s*\(?1[.)]/;

/** Paragraphs of one parent that begin with 1, 2, 3 … in the same style, with at most a few others between two of them. */
function stepsApart(page: Page): ElementNode[][] {
  const found: ElementNode[][] = [];
  // Most pages have no paragraph that begins with a number, and are settled by this.
  if (!passages(page).some((passage) => FIRST.test(passage.text))) return found;
  const typed = new Set(typedLists(page).flatMap((list) => list.lines.map((line) => line.block)));
  for (const [, blocks] of groupedBy(
    passages(page).filter((passage) => passage.block.tag === 'p' || passage.block.tag === 'div'),
    (passage) => passage.block.parent,
  )) {
    let run: ElementNode[] = [];
    let style = '';
    let others = 0;
    const close = () => {
      if (run.length >= 3) found.push(run);
      run = [];
    };
    for (const { block, text } of blocks) {
      const marker =
        !NUMBERED.test(text) || typed.has(block)
          ? undefined
          : markersOf(text.slice(0, 60)).find(
              (one) => one.kind === 'number' && one.value === run.length + 1 && (run.length === 0 || one.style === style),
            );
      if (marker) {
        run.push(block);
        style = marker.style;
        others = 0;
      } else if (++others > 4) close();
    }
    close();
  }
  // Without anything between them they are a typed list.
  return found.filter((run) =>
    run.some(
      (block, i) => i > 0 && block.parent!.children.slice(run[i - 1]!.index + 1, block.index).some((node) => node.kind === 'element'),
    ),
  );
}
