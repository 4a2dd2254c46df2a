import { nearestColour, setLastingColour } from './lastingColour.ts';
import type { Remedy } from './types.ts';

/** Sets a colour on these pieces of text alone, over what a style sheet says. */
export const remedy: Remedy = {
  name: 'own-colour',
  label: 'Set a colour on this text alone',
  certain: false,
  fields: [{ name: 'color', label: 'Colour of the text', kind: 'text', hint: 'As #rrggbb; it is written beside each piece of the text.' }],
  propose: (target) => ({ color: nearestColour(target, 'color') }),
  plan: (target, inputs) => setLastingColour(target, 'color', inputs.color || nearestColour(target, 'color')),
};
