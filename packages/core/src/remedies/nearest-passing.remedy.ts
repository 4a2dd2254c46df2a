import { mendAtOrigin, nearestColour } from './lastingColour.ts';
import type { Remedy } from './types.ts';

/** Moves the text's lightness just as far as it takes to stand out enough, where its colour comes from. */
export const remedy: Remedy = {
  name: 'nearest-passing',
  label: 'Use the nearest colour that passes',
  certain: true,
  fields: [{ name: 'color', label: 'Colour of the text', kind: 'text', hint: 'Keeps its hue; as #rrggbb.' }],
  propose: (target) => ({ color: nearestColour(target, 'color') }),
  plan: (target, inputs) => mendAtOrigin(target, inputs.color || nearestColour(target, 'color')),
};
