import { tidy } from '../document/tree.ts';
import { headingBefore } from '../semantics/outline.ts';
import { sections } from '../semantics/sections.ts';
import { escapeText, insertAt, lineStyle, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy, type Target } from './types.ts';
import type { ElementNode } from '../document/tree.ts';

/** Puts a heading before one of the paragraphs of a long stretch. */
export const remedy: Remedy = {
  name: 'insert-heading',
  label: 'Put a heading in',
  certain: false,
  needs: ['text', 'before', 'level'],
  fields: (target) => [
    { name: 'text', label: 'What is the part about?', kind: 'text' },
    {
      name: 'before',
      label: 'Before the paragraph that begins',
      kind: 'choice',
      options: blocksOf(target).flatMap(({ text }, i) => (i > 0 && text ? [{ value: String(i), label: text.slice(0, 60) }] : [])),
    },
    {
      name: 'level',
      label: 'Level',
      kind: 'choice',
      options: [2, 3, 4, 5, 6].map((level) => ({ value: String(level), label: String(level) })),
    },
  ],
  propose: (target) => ({ text: '', before: String(middleOf(blocksOf(target))), level: String(fittingLevel(target)) }),
  plan(target, inputs) {
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write what the part is about.');
    const blocks = blocksOf(target);
    if (blocks.length < 2) return decline('This stretch is one paragraph; part it first, in Source.');
    const block = blocks[Number(inputs.before ?? 0)]?.block;
    if (block === blocks[0]!.block)
      return decline('A heading before the first paragraph leaves the stretch as long as it is; choose a later one.');
    const level = Number(inputs.level ?? fittingLevel(target));
    if (!block?.range || !(level >= 2 && level <= 6)) return decline(block ? NO_SOURCE : 'Choose the paragraph it stands before.');
    const { newline, indent } = lineStyle(target.page, block.range.start);
    return planned(insertAt(block.range.start, `<h${level}>${escapeText(text)}</h${level}>${newline}${indent}`));
  },
};

/** The paragraph in the middle of the stretch, or the next one that has words. */
function middleOf(blocks: readonly { text: string }[]): number {
  const middle = Math.floor(blocks.length / 2);
  return blocks.findIndex(({ text }, i) => i >= middle && text !== '');
}

function fittingLevel({ page, element }: Target): number {
  return Math.min(6, Math.max(2, (headingBefore(page, element)?.level ?? 1) + 1));
}

/** The blocks of the stretch that stand side by side with its first: a heading may stand before any of them. */
function blocksOf({ page, element }: Target): { block: ElementNode; text: string }[] {
  const section = sections(page).find((one) => one.passages.some((passage) => passage.block === element));
  return (section?.passages ?? [])
    .filter(
      (passage) =>
        passage.block.parent === element.parent &&
        passage.block.range &&
        ['p', 'div', 'ul', 'ol', 'blockquote'].includes(passage.block.tag),
    )
    .map(({ block, text }) => ({ block, text }));
}
