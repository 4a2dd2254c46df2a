import { defineRule } from '../../types.ts';
import { tidy, valueOf, elementParent, type ElementNode } from '../../../document/tree.ts';
import { isInactive } from '../../../semantics/contrastFailures.ts';
import { coloursIn } from '../../../style/contrast.ts';
import { styleOf } from '../../../style/cascade.ts';
import { WHITE, contrastRatio, hexOf, parseColour, type Colour } from '../../../style/colour.ts';
import type { Page } from '../../../document/page.ts';
import { placeholderDeclaration } from '../../../style/origin.ts';
export const rule = defineRule({
  id: 'colour/placeholder',
  title: 'Grey words in a field too faint to read',
  why: 'Readers with low vision do not see what they are to enter.',
  fix: 'Darken the grey words until they stand out enough.',
  criteria: ['1.4.3'],
  techniques: ['G18'],
  weight: 'must',
  scope: 'any',
  remedies: [],
  messages: {
    faint: 'The grey words “{text}” are {color} on {background}, {ratio} to 1, and 4.5 to 1 is needed',
  },
  tags: ['input', 'textarea'],
  visit(page, element, tell) {
    const text = tidy(valueOf(element, 'placeholder') ?? '');
    if (!text || isInactive(element)) return;
    const color = placeholderColour(page, element);
    if (!color) return;
    const behind = coloursIn(page, elementParent(element)!);
    const own = styleOf(page, element).background;
    const ground = own.a === 1 ? own : own.a === 0 && styleOf(page, element).declared.has('background-color') ? behind.background : WHITE;
    const ratio = contrastRatio(overlaid(color, ground), ground);
    if (ratio >= 4.5 || !behind.certain) return;
    tell({
      at: element,
      message: 'faint',
      values: { text, color: hexOf(color), background: hexOf(ground), ratio: (Math.floor(ratio * 100) / 100).toFixed(2) },
      subject: `${hexOf(color)} ${text}`,
    });
  },
});

/** The colour an author gives to a field's placeholder; null when none does. */
function placeholderColour(page: Page, field: ElementNode): Colour | null {
  const written = placeholderDeclaration(page, field);
  return written === null ? null : parseColour(written);
}

function overlaid(top: Colour, ground: Colour): Colour {
  const mix = (a: number, b: number) => a * top.a + b * (1 - top.a);
  return { r: mix(top.r, ground.r), g: mix(top.g, ground.g), b: mix(top.b, ground.b), a: 1 };
}
