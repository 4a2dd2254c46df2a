import { nearestColour, setLastingColour } from './lastingColour.ts';
import type { Remedy } from './types.ts';

/** Leaves the text's colour and moves the lightness of its ground just as far as it takes. */
export const remedy: Remedy = {
  name: 'change-ground',
  label: 'Change the background instead',
  certain: false,
  fields: [{ name: 'ground', label: 'Colour of the background', kind: 'text', hint: 'Behind this piece of text alone; as #rrggbb.' }],
  propose: (target) => ({ ground: nearestColour(target, 'background-color') }),
  plan: (target, inputs) => setLastingColour(target, 'background-color', inputs.ground || nearestColour(target, 'background-color')),
};
