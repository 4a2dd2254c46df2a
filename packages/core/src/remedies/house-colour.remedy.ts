import { houseColours } from '../semantics/houseColours.ts';
import { contrastRatio, parseColour } from '../style/colour.ts';
import { coloursIn } from '../style/contrast.ts';
import { setLastingColour } from './lastingColour.ts';
import { decline, type Remedy, type Target } from './types.ts';

/** Uses a colour of the house that stands out enough here. */
export const remedy: Remedy = {
  name: 'house-colour',
  label: 'Use a colour of the house',
  certain: false,
  needs: ['color'],
  fields: (target) => [
    {
      name: 'color',
      label: 'Colours of the house that pass here',
      kind: 'choice',
      options: passing(target).map((colour) => ({ value: colour, label: colour })),
    },
  ],
  propose: (target) => ({ color: passing(target)[0] ?? '' }),
  plan(target, inputs) {
    if (passing(target).length === 0) return decline('No colour of the house stands out enough on this background.');
    return setLastingColour(target, 'color', inputs.color ?? '');
  },
};

function passing({ page, element, finding }: Target): string[] {
  const { background } = coloursIn(page, element);
  return houseColours(page).filter((written) => contrastRatio(parseColour(written)!, background) >= Number(finding.values.required));
}
