import { elementParent, type ElementNode } from '../document/tree.ts';
import { remembered } from '../document/remembered.ts';
import { elementAt } from '../document/paths.ts';
import { fact, type Page } from '../document/page.ts';
import { styleOf } from '../style/cascade.ts';
import { contrastRatio, hexOf, parseColour, type Colour } from '../style/colour.ts';
import { coloursIn, ratioWith, shownTexts, type TextColours } from '../style/contrast.ts';
import { nearestPassing } from '../style/nearestPassing.ts';
import { originOf, type Origin } from '../style/origin.ts';
import type { Edit } from '../source/edits.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { setDeclaration } from './styling.ts';
import { decline, planned, type Plan, type Target } from './types.ts';
import type { Style } from '../style/computed.ts';

/** Which of a pair of colours is moved: the text's or its ground's. */
export type Moved = 'color' | 'background-color';

/** The nearest colour with which a finding's pair stands apart far enough, as #rrggbb; '' when there is none of its hue. */
export function nearestColour({ page, element, finding }: Target, moved: Moved): string {
  const { color, background } = coloursIn(page, element);
  const [from, against] = moved === 'color' ? [color, background] : [background, color];
  return nearestHex(JSON.stringify([from, against, Number(finding.values.required)]));
}

/** The search takes a while, and the pages of a collection share their colours. */
const nearestHex = remembered((asked) => {
  const [from, against, required] = JSON.parse(asked) as [Colour, Colour, number];
  const nearest = nearestPassing(from, against, required);
  return nearest ? hexOf(nearest) : '';
});

/** The elements a finding stands at. */
export function placesOf({ page, element, finding }: Target): ElementNode[] {
  return finding.places ? finding.places.map(({ path }) => elementAt(page, path)).filter((one) => one !== null) : [element];
}

/** Sets a colour of a finding's text or of its ground at each of its places, when the two then stand apart far enough. */
export function setLastingColour(target: Target, property: Moved, written: string): Plan {
  const { page, element, finding } = target;
  const colour = parseColour(written);
  const required = Number(finding.values.required);
  if (!colour || !/^#[0-9a-f]{6}$/i.test(written)) return decline('Give a colour as #rrggbb.');
  const now = coloursIn(page, element);
  const ratio = property === 'color' ? ratioWith(page, element, colour) : contrastRatio(colour, now.color);
  if (contrastRatio(colour, property === 'color' ? now.background : now.color) < required)
    return decline(`This colour stands out by less than ${required} to 1.`);
  const places = placesOf(target);
  if (property === 'background-color' && places.some((place) => isHalfClear(page, place)))
    return decline('It is half clear, so that a background set here would not be seen as it is; fix it in Source.');
  if (ratio < required || (property === 'color' && places.some((place) => isFixedElsewhere(originOf(page, place, 'color', true)))))
    return decline('Its style sheet or half clear text keeps the colour from being seen; fix it there.');
  const edits = places.map((place) => setDeclaration(place, property, written.toLowerCase()));
  return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
}

/** Whether an element, or one around it, is shown half clear. */
function isHalfClear(page: Page, element: ElementNode): boolean {
  for (let style: Style | null = styleOf(page, element); style; style = style.parent) if (style.opacity < 1) return true;
  return false;
}

/** A declaration marked as important beats whatever a style attribute says. */
function isFixedElsewhere(origin: Origin): boolean {
  return origin.kind === 'page' && origin.rule.important.some((one) => one.property === 'color');
}

/** More links than this are not dressed one by one. */
const FEW = 12;

/**
 * Sets a text colour where it comes from: in the rule of the page's own sheet, in the attribute or style that sets it; on each piece of
 * text only where the browser's own colour stands on a ground that somebody set. Declines where it comes from a sheet the pages share, and
 * where text that is well as it is would suffer.
 */
export function mendAtOrigin(target: Target, written: string): Plan {
  const { page, finding } = target;
  const colour = parseColour(written);
  if (!colour || !/^#[0-9a-f]{6}$/i.test(written)) return decline('No colour of this hue stands out enough here.');
  const required = Number(finding.values.required);
  const places = placesOf(target);
  const origins = places.map((place) => originOf(page, place, 'color', true));
  const linked = origins.find((origin) => origin.kind === 'linked');
  if (linked?.kind === 'linked') return decline(`The colour comes from ${linked.address}, which other pages share; mend it there.`);
  if (places.some((place) => ratioWith(page, place, colour) < required))
    return decline('Half clear text keeps the colour from being seen; fix it where it is made so.');
  if (origins.filter((origin) => origin.kind === 'browser').length > FEW)
    return decline('Many pieces of text have the browser’s own colour here; set one for all of them in the page’s style.');
  const edits = new Map<number, Edit>();
  for (const [i, origin] of origins.entries()) {
    const edit = editAt(origin, places[i]!, written.toLowerCase());
    if (!edit) return decline(NO_SOURCE);
    edits.set(edit.start, edit);
  }
  if (harmsOthers(page, new Set(places), colour))
    return decline('Other text of this colour stands on another background, where the new one would be too faint.');
  return planned([...edits.values()]);
}

function editAt(origin: Origin, place: ElementNode, written: string): Edit | null {
  switch (origin.kind) {
    case 'page':
      return { ...origin.range, text: written };
    case 'inline':
      return setDeclaration(origin.element, 'color', written);
    case 'attribute':
      return setAttribute(origin.element, origin.name, written);
    case 'browser':
      return setDeclaration(place, 'color', written);
    case 'linked':
      return null;
  }
}

/** Whether text of the same colour elsewhere, which stands out now, would not with another. */
function harmsOthers(page: Page, places: ReadonlySet<ElementNode>, colour: Colour): boolean {
  const colours = new Set([...places].map((place) => hexOf(styleOf(page, place).color)));
  return [...colours].some((one) =>
    (passingByColour(page).get(one) ?? []).some((element) => ratioWith(page, element, colour) < coloursIn(page, element).required),
  );
}

/** Text that stands out enough, by the colour it is set in: one element for each ground and size. */
const passingByColour = fact((page: Page): Map<string, ElementNode[]> => {
  const found = new Map<string, ElementNode[]>();
  const seen = new Set<TextColours | string>();
  for (const text of shownTexts(page)) {
    const element = elementParent(text)!;
    const colours = coloursIn(page, element);
    if (seen.has(colours) || colours.ratio < colours.required) continue;
    seen.add(colours);
    const color = hexOf(styleOf(page, element).color);
    const key = isHalfClear(page, element) ? null : `${color} ${hexOf(colours.background)} ${colours.required}`;
    if (key !== null && seen.has(key)) continue;
    if (key !== null) seen.add(key);
    const same = found.get(color);
    if (same) same.push(element);
    else found.set(color, [element]);
  }
  return found;
});
