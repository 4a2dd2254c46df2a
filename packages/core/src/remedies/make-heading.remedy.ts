import type { Edit } from '../source/edits.ts';
import { dressing } from '../semantics/looks.ts';
import { headingBefore } from '../semantics/outline.ts';
import { dropAttribute, NO_SOURCE, renameTag, unwrap } from './markup.ts';
import { decline, planned, type Remedy, type Target } from './types.ts';
import { placesOf } from './lastingColour.ts';
import type { Page } from '../document/page.ts';
import { elementParent, type ElementNode } from '../document/tree.ts';

/** Turns a line that looks like a heading into one, and takes off the dressing that made it look so. */
export const remedy: Remedy = {
  name: 'make-heading',
  label: 'Make it a heading',
  certain: false,
  fields: [
    {
      name: 'level',
      label: 'Level',
      kind: 'choice',
      options: [2, 3, 4, 5, 6].map((level) => ({ value: String(level), label: String(level) })),
    },
  ],
  propose: (target) => ({ level: String(fittingLevel(target)) }),
  plan(target, inputs) {
    const { page, finding } = target;
    const level = Number(inputs.level);
    if (!(level >= 2 && level <= 6)) return decline('Choose a level from 2 to 6.');
    const plans = placesOf(target).map((element) =>
      finding.message === 'lead' ? leadEdits(page, element, level) : headingEdits(page, element, level),
    );
    return plans.every((edits) => edits !== null) ? planned(plans.flat()) : decline(NO_SOURCE);
  },
};

function headingEdits(page: Page, element: ElementNode, level: number): Edit[] | null {
  const renamed = renameTag(page, element, `h${level}`);
  const style = dropAttribute(page, element, 'style');
  const looks = ['color', 'size', 'face'].map((name) => (element.tag === 'font' ? dropAttribute(page, element, name) : null));
  return renamed && [...renamed, ...dressing(element).flatMap(unwrap), ...[style, ...looks].filter((edit) => edit !== null)];
}

/** A first line and the break after it: the line becomes a heading before the paragraph, which begins anew behind it. */
function leadEdits(page: Page, lead: ElementNode, level: number): Edit[] | null {
  const block = elementParent(lead)!;
  const next = block.children.slice(lead.index + 1).find((node) => node.kind === 'element');
  if (!block.startTag || !lead.startTag || !lead.endTag || next?.kind !== 'element' || next.tag !== 'br' || !next.range) return null;
  const tag = page.source.slice(block.startTag.start, block.startTag.end);
  if (block.tag !== 'p') {
    const renamed = renameTag(page, lead, `h${level}`);
    return renamed && [...renamed, ...dressing(lead).flatMap(unwrap), { ...next.range, text: '' }];
  }
  return [
    { ...block.startTag, text: `<h${level}>` },
    ...unwrap(lead),
    ...dressing(lead).flatMap(unwrap),
    { ...next.range, text: `</h${level}>\n${tag}` },
  ];
}

/** Beside the lines made headings before it: the level of the last heading, or one below it when that heads a whole page part. */
function fittingLevel({ page, element }: Target): number {
  const before = headingBefore(page, element);
  if (!before) return 2;
  return Math.min(6, Math.max(2, before.level <= 2 ? before.level + 1 : before.level));
}
