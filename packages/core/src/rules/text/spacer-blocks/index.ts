import { childElements, elementParent, type ElementNode, type TreeNode } from '../../../document/tree.ts';
import { IN, isInside } from '../../../semantics/inside.ts';
import { showsNothing } from '../../../semantics/lists.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import type { Page } from '../../../document/page.ts';
import { defineRule } from '../../types.ts';
import { paragraphBreaks } from '../../../semantics/brokenParagraphs.ts';

/** Line breaks in a row that are there for space. */
const BREAKS = 3;

export const rule = defineRule({
  id: 'text/spacer-blocks',
  title: 'Empty lines kept for space',
  why: 'Some readers hear “blank” again and again, and the gap grows with every change of size.',
  fix: 'Take them out; space is a matter of style.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['remove'],
  messages: { blocks: '{many} empty paragraphs stand here for space', breaks: '{many} line breaks in a row stand here for space' },
  end(page, tell) {
    for (const element of page.elements) {
      if (element.tag === 'br') {
        const run = breakRun(element);
        // Breaks between running texts stand in place of paragraphs, and have a note of their own.
        if (run.length >= BREAKS && isExposed(page, element) && !isInside(page, element, IN.code) && !paragraphBreaks(page).has(element))
          tell({ at: element, through: run.at(-1)!, message: 'breaks', values: { many: run.length }, subject: 'breaks' });
      } else if (isSpacer(page, element) && !isSpacer(page, before(element))) {
        const run = blockRun(page, element);
        tell({
          at: element,
          ...(run.length > 1 ? { through: run.at(-1)! } : {}),
          message: 'blocks',
          values: { many: run.length },
          subject: 'blocks',
        });
      }
    }
  },
});

const SPACERS = new Set(['p', 'div', 'center']);

/** An empty paragraph, or a div that holds but a break or a no-break space: an empty div is most often a hook for a script. */
function isSpacer(page: Page, element: ElementNode | null): boolean {
  if (!element || !SPACERS.has(element.tag) || element.children.length > 8 || !showsNothing(page, element) || !isExposed(page, element))
    return false;
  if (element.attributes.some((attribute) => attribute.name !== 'class' && attribute.name !== 'style' && attribute.name !== 'align'))
    return false;
  if (
    !childElements(element).every(
      (child) =>
        ['br', 'span', 'b', 'strong', 'em', 'i', 'font', 'u', 'o:p'].includes(child.tag) &&
        child.attributes.every((one) => one.name !== 'id' && one.name !== 'name'),
    )
  )
    return false;
  return (
    element.tag === 'p' ||
    (element.attributes.length === 0 &&
      element.children.some((child) =>
        child.kind === 'element' ? child.tag === 'br' : child.kind === 'text' && child.text.includes('\u00a0'),
      ))
  );
}

function isBlank(node: TreeNode): boolean {
  return node.kind === 'comment' || (node.kind === 'text' && !/[^\s]/.test(node.text.replace(/\u00a0/g, ' ')));
}

function before(element: ElementNode): ElementNode | null {
  const siblings = element.parent!.children;
  let at = element.index - 1;
  while (at >= 0 && isBlank(siblings[at]!)) at--;
  const node = siblings[at];
  return node?.kind === 'element' ? node : null;
}

function blockRun(page: Page, first: ElementNode): ElementNode[] {
  const run = [first];
  const siblings = elementParent(first)?.children ?? [];
  for (let at = first.index + 1; at < siblings.length; at++) {
    const node = siblings[at]!;
    if (node.kind === 'element' && isSpacer(page, node)) run.push(node);
    else if (!isBlank(node)) break;
  }
  return run;
}

/** A break and those right after it; empty when it is not the first. */
function breakRun(first: ElementNode): ElementNode[] {
  if (before(first)?.tag === 'br') return [];
  const run = [first];
  const siblings = first.parent!.children;
  for (let at = first.index + 1; at < siblings.length; at++) {
    const node = siblings[at]!;
    if (node.kind === 'element' && node.tag === 'br') run.push(node);
    else if (!isBlank(node)) break;
  }
  return run;
}
