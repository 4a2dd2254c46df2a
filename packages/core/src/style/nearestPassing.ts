import { contrastRatio, fromOklchInGamut, hexOf, parseColour, toOklch, type Colour } from './colour.ts';

/**
 * The colour nearest to one that passes on a ground: hue stays, lightness moves least, in OKLCH (Ottosson 2020; CSS Color 4). `way` looks
 * only to the darker or the lighter side. Null when no colour of this hue passes there.
 */
export function nearestPassing(
  color: Colour,
  ground: Colour,
  required: number,
  way: 'either' | 'darker' | 'lighter' = 'either',
): Colour | null {
  const exact = toOklch(color);
  // A grey stays a grey: what is left of its chroma is rounding.
  const start = exact.c < 0.002 ? { ...exact, c: 0 } : exact;
  const found = (['darker', 'lighter'] as const)
    .filter((side) => way === 'either' || way === side)
    .map((side) => search(start, ground, required, side))
    .filter((one) => one !== null);
  return found.sort((a, b) => Math.abs(a.l - start.l) - Math.abs(b.l - start.l))[0]?.colour ?? null;
}

/** Halvings of a lightness between 0 and 1: far below what a channel of eight bits can show. */
const STEPS = 20;

function search(
  start: { l: number; c: number; h: number },
  ground: Colour,
  required: number,
  side: 'darker' | 'lighter',
): { l: number; colour: Colour } | null {
  const end = side === 'darker' ? 0 : 1;
  const at = (l: number) => written(fromOklchInGamut({ ...start, l }));
  const passes = (l: number) => contrastRatio(at(l), ground) >= required;
  if (!passes(end)) return null;
  let [fails, holds] = [start.l, end];
  if (passes(start.l)) return { l: start.l, colour: at(start.l) };
  for (let i = 0; i < STEPS; i++) {
    const middle = (fails + holds) / 2;
    if (passes(middle)) holds = middle;
    else fails = middle;
  }
  return { l: holds, colour: at(holds) };
}

/** As it will be written: whole channels, so that what is tested is what is set. */
function written(colour: Colour): Colour {
  return parseColour(hexOf(colour))!;
}
