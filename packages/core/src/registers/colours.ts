import { elementParent, tidy, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { unreadSheets } from '../style/cascade.ts';
import { contrastRatio, hexOf, parseColour, type Colour } from '../style/colour.ts';
import { nearestPassing } from '../style/nearestPassing.ts';
import { readSheet } from '../style/sheets.ts';
import { coloursIn, shownTexts } from '../style/contrast.ts';
import { originOf, type Origin } from '../style/origin.ts';
import { cut, thingOf, traitsOf, type Use } from './types.ts';

/** Longest sample of text kept, in characters. */
const SAMPLE = 60;

/** Pairs of text colour and background as seen, each told once a page for each place its text colour comes from. */
export function colourUses(page: Page): Use[] {
  const known = unreadSheets(page).length === 0;
  const pairs = new Map<string, { element: ElementNode; sample: string; elements: Set<ElementNode>; from: string }>();
  for (const text of shownTexts(page)) {
    const element = elementParent(text)!;
    const { color, background, large } = coloursIn(page, element);
    const from = sourceOf(page, element);
    const key = `${hexOf(color)} ${hexOf(background)} ${large} ${from}`;
    const pair = pairs.get(key);
    if (pair) pair.elements.add(element);
    else pairs.set(key, { element, sample: tidy(text.text), elements: new Set([element]), from });
  }
  return [...pairs.values()].map(({ element, sample, elements, from }) => {
    const { color, background, ratio, required, certain, large } = coloursIn(page, element);
    const [kind, ...address] = from.split(' ');
    const sure = certain && known;
    return {
      name: `${hexOf(color)} on ${hexOf(background)}`,
      place: large ? 'large' : '',
      // Cut, never rounded up: 4.499 does not pass.
      says: (Math.floor(ratio * 100) / 100).toFixed(2),
      traits: traitsOf('colours', [
        sure && ratio < required && 'too little',
        sure && ratio >= required && 'passes',
        !sure && 'uncertain',
        large && 'large',
        kind === 'linked' && 'linked sheet',
        kind === 'page' && 'page style',
        (kind === 'inline' || kind === 'attribute') && 'inline',
        kind === 'browser' && 'browser',
      ]),
      facts: { from: kind!, sheet: address.join(' '), required, sample: cut(sample, SAMPLE), many: elements.size },
      elements: [...elements],
    };
  });
}

/** Where a text's colour comes from, as one word and the address of its sheet. */
function sourceOf(page: Page, element: ElementNode): string {
  const origin: Origin = originOf(page, element, 'color', true);
  return origin.kind === 'linked' ? `linked ${origin.address}` : origin.kind;
}

/** A declaration in a style sheet that text of a pair of colours takes its colour from. */
export interface ColourSource {
  /** Path of the sheet in its collection. */
  sheet: string;
  /** Where the value stands in it. */
  start: number;
  end: number;
}

/** Elements of a pair looked at for where their colour comes from. */
const MOST_ELEMENTS = 400;

/** The declarations in linked sheets that a pair of colours on a page takes its text colour from. `thing`: as `thingOf` names the pair. */
export function colourSources(page: Page, thing: string): ColourSource[] {
  const found = new Map<string, ColourSource>();
  for (const use of colourUses(page)) {
    if (thingOf(use) !== thing || use.facts.from !== 'linked') continue;
    for (const element of use.elements.slice(0, MOST_ELEMENTS)) {
      const origin = originOf(page, element, 'color', true);
      if (origin.kind !== 'linked' || !origin.range) continue;
      const { start, end } = origin.range;
      found.set(`${origin.address} ${start}`, { sheet: origin.address, start, end });
    }
  }
  return [...found.values()];
}

export interface ColourChoice {
  color: string;
  background: string;
  required: number;
  /** As it is, cut and never rounded up. */
  ratio: number;
  /** Colours near to it that pass, and colours of the house that do, each with its ratio. */
  passing: { colour: string; ratio: number; way: 'darker' | 'lighter' | 'house' }[];
}

/** What may take a text colour's place on its background. Colours as #rrggbb. */
export function colourChoices(color: string, background: string, required: number, house: readonly string[]): ColourChoice | null {
  const [text, ground] = [parseColour(color), parseColour(background)];
  if (!text || !ground) return null;
  const ratioOf = (one: Colour) => Math.floor(contrastRatio(one, ground) * 100) / 100;
  const near = (['darker', 'lighter'] as const).flatMap((way) => {
    const one = nearestPassing(text, ground, required, way);
    return one ? [{ colour: hexOf(one), ratio: ratioOf(one), way }] : [];
  });
  const own = house.flatMap((written) => {
    const one = parseColour(written);
    return one && contrastRatio(one, ground) >= required ? [{ colour: hexOf(one), ratio: ratioOf(one), way: 'house' as const }] : [];
  });
  return { color: hexOf(text), background: hexOf(ground), required, ratio: ratioOf(text), passing: [...own, ...near] };
}

export interface PaletteColour {
  colour: string;
  /** How often style sheets name it. */
  uses: number;
}

/** Colours that style sheets give to text, grounds and borders or keep in custom properties, the most used first. */
export function coloursOfSheets(sheets: readonly string[], most: number): PaletteColour[] {
  const uses = new Map<string, number>();
  for (const text of sheets)
    for (const { normal, important } of readSheet(text).rules)
      for (const { property, value } of [...normal, ...important]) {
        if (!/color$|^--/.test(property)) continue;
        const colour = parseColour(value.trim());
        if (colour?.a === 1) uses.set(hexOf(colour), (uses.get(hexOf(colour)) ?? 0) + 1);
      }
  return [...uses]
    .map(([colour, many]) => ({ colour, uses: many }))
    .sort((a, b) => b.uses - a.uses || (a.colour < b.colour ? -1 : 1))
    .slice(0, most);
}
