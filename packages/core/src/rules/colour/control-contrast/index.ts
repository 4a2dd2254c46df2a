import { elementParent, has, type ElementNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { nameOf } from '../../../semantics/names.ts';
import { styleOf } from '../../../style/cascade.ts';
import { contrastRatio, hexOf, parseColour } from '../../../style/colour.ts';
import { coloursIn } from '../../../style/contrast.ts';
import { defineRule } from '../../types.ts';
import { isInactive } from '../../../semantics/contrastFailures.ts';

const TYPED = new Set(['text', 'search', 'email', 'tel', 'url', 'password', 'number', 'date', 'time', '']);

export const rule = defineRule({
  id: 'colour/control-contrast',
  title: 'Field whose edge can hardly be seen',
  why: 'Readers with low vision do not find where to type.',
  fix: 'Let the edge or the background of the field stand out by 3 to 1 from what is around it.',
  criteria: ['1.4.11'],
  techniques: ['G195'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: { edge: 'The edge {edge} of this field stands out from {around} by only {ratio} to 1' },
  tags: ['input', 'textarea', 'select'],
  visit(page, element, tell) {
    if (element.tag === 'input' && !TYPED.has((element.attributes.find((one) => one.name === 'type')?.value ?? '').toLowerCase())) return;
    const found = edgeOf(page, element);
    if (found) tell({ at: element, message: 'edge', values: found, subject: nameOf(page, element).name });
  },
});

/** The field's edge where an author set it, with what it stands against; null where it is seen well enough or not known. */
function edgeOf(page: Page, field: ElementNode): { edge: string; around: string; ratio: string } | null {
  // What cannot be used needs no contrast; a field with no edge at all is told by other means.
  if (has(field, 'readonly') || isInactive(field)) return null;
  const { declared, background } = styleOf(page, field);
  const style = declared.get('border-bottom-style');
  const edge = style && style !== 'none' && style !== 'hidden' ? parseColour(declared.get('border-bottom-color') ?? '') : null;
  const parent = elementParent(field);
  if (!parent || !edge || edge.a < 1) return null;
  const around = coloursIn(page, parent);
  if (!around.certain) return null;
  const best = Math.max(contrastRatio(edge, around.background), background.a === 1 ? contrastRatio(background, around.background) : 1);
  return best < 3 ? { edge: hexOf(edge), around: hexOf(around.background), ratio: (Math.floor(best * 100) / 100).toFixed(2) } : null;
}
