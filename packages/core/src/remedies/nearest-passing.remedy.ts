import { pathOf, elementAt } from '../document/paths.ts';
import { parsePage } from '../document/page.ts';
import { contrastRatio, hexOf, parseColour } from '../style/colour.ts';
import { coloursIn } from '../style/contrast.ts';
import { nearestPassing } from '../style/nearestPassing.ts';
import { applyChange, changeOf } from '../source/edits.ts';
import { NO_SOURCE } from './markup.ts';
import { setDeclaration } from './styling.ts';
import { decline, planned, type Plan, type Remedy, type Target } from './types.ts';

/** Moves the text's lightness just as far as it takes to stand out enough. */
export const remedy: Remedy = {
  name: 'nearest-passing',
  label: 'Use the nearest colour that passes',
  certain: true,
  fields: [{ name: 'color', label: 'Colour of the text', kind: 'text', hint: 'Keeps its hue; as #rrggbb.' }],
  propose: (target) => ({ color: proposal(target) ?? '' }),
  plan: (target, inputs) => setLastingColour(target, 'color', inputs.color || proposal(target) || ''),
};

function proposal({ page, element, finding }: Target): string | null {
  const { color, background } = coloursIn(page, element);
  const nearest = nearestPassing(color, background, Number(finding.values.required));
  return nearest && hexOf(nearest);
}

/** Sets a colour of a finding's text or of its ground, when the two then stand apart far enough. */
export function setLastingColour({ page, element, finding }: Target, property: 'color' | 'background-color', written: string): Plan {
  const colour = parseColour(written);
  const required = Number(finding.values.required);
  if (!colour || !/^#[0-9a-f]{6}$/i.test(written)) return decline('Give a colour as #rrggbb.');
  const now = coloursIn(page, element);
  if (contrastRatio(colour, property === 'color' ? now.background : now.color) < required) return decline(`This colour stands out by less than ${required} to 1.`);
  const edit = setDeclaration(element, property, written.toLowerCase());
  if (!edit) return decline(NO_SOURCE);
  // Half clear text and rules marked as important can keep it from being seen: what comes of it is looked at.
  const change = changeOf(page.source, [edit]);
  const after = change.ok ? applyChange(page.source, change.value) : change;
  const fresh = after.ok ? parsePage(after.value, { scope: page.scope, surroundings: page.surroundings }) : null;
  const there = fresh && elementAt(fresh, pathOf(page, element));
  if (!there || coloursIn(fresh, there).ratio < required) return decline('Its style sheet or half clear text keeps the colour from being seen; mend it there.');
  return planned(edit);
}
