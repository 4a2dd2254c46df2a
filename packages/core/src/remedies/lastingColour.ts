import { pathOf, elementAt } from '../document/paths.ts';
import { parsePage } from '../document/page.ts';
import { contrastRatio, hexOf, parseColour } from '../style/colour.ts';
import { coloursIn } from '../style/contrast.ts';
import { nearestPassing } from '../style/nearestPassing.ts';
import { applyChange, changeOf } from '../source/edits.ts';
import { NO_SOURCE } from './markup.ts';
import { setDeclaration } from './styling.ts';
import { decline, planned, type Plan, type Target } from './types.ts';

/** Which of a pair of colours is moved: the text's or its ground's. */
export type Moved = 'color' | 'background-color';

/** The nearest colour with which a finding's pair stands apart far enough, as #rrggbb; '' when there is none of its hue. */
export function nearestColour({ page, element, finding }: Target, moved: Moved): string {
  const { color, background } = coloursIn(page, element);
  const [from, against] = moved === 'color' ? [color, background] : [background, color];
  const nearest = nearestPassing(from, against, Number(finding.values.required));
  return nearest ? hexOf(nearest) : '';
}

/** Sets a colour of a finding's text or of its ground, when the two then stand apart far enough. */
export function setLastingColour({ page, element, finding }: Target, property: Moved, written: string): Plan {
  const colour = parseColour(written);
  const required = Number(finding.values.required);
  if (!colour || !/^#[0-9a-f]{6}$/i.test(written)) return decline('Give a colour as #rrggbb.');
  const now = coloursIn(page, element);
  if (contrastRatio(colour, property === 'color' ? now.background : now.color) < required)
    return decline(`This colour stands out by less than ${required} to 1.`);
  const edit = setDeclaration(element, property, written.toLowerCase());
  if (!edit) return decline(NO_SOURCE);
  // Half clear text and rules marked as important can keep it from being seen: what comes of it is looked at.
  const change = changeOf(page.source, [edit]);
  const after = change.ok ? applyChange(page.source, change.value) : change;
  const fresh = after.ok ? parsePage(after.value, { scope: page.scope, surroundings: page.surroundings }) : null;
  const there = fresh && elementAt(fresh, pathOf(page, element));
  if (!there || coloursIn(fresh, there).ratio < required)
    return decline('Its style sheet or half clear text keeps the colour from being seen; fix it there.');
  return planned(edit);
}
