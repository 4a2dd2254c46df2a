import { hexOf } from '../style/colour.ts';
import { coloursIn } from '../style/contrast.ts';
import { nearestPassing } from '../style/nearestPassing.ts';
import { setLastingColour } from './nearest-passing.remedy.ts';
import type { Remedy, Target } from './types.ts';

/** Leaves the text's colour and moves the lightness of its ground just as far as it takes. */
export const remedy: Remedy = {
  name: 'change-ground',
  label: 'Change the ground instead',
  certain: false,
  fields: [{ name: 'ground', label: 'Colour of the ground', kind: 'text', hint: 'Behind this piece of text alone; as #rrggbb.' }],
  propose: (target) => ({ ground: proposal(target) ?? '' }),
  plan: (target, inputs) => setLastingColour(target, 'background-color', inputs.ground || proposal(target) || ''),
};

function proposal({ page, element, finding }: Target): string | null {
  const { color, background } = coloursIn(page, element);
  const nearest = nearestPassing(background, color, Number(finding.values.required));
  return nearest && hexOf(nearest);
}
