import { coloursOfSheets, contrastRatio, hexOf, parseColour, type PaletteColour } from '@inkwell/core';
import { house, housePalette, nameColours, profileById, sheetTexts, snapshot, writing, type NamedColour } from '@inkwell/store';
import { may, unlessAllowed, type Actor } from '../actor.ts';
import { done, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { setStandard } from '../standard.ts';
import { reached, type Reach } from './reach.ts';

export interface PaletteView {
  /** The house's colours, and what may stand on what: for each as text its contrast on every other. */
  colours: (NamedColour & { on: { value: string; ratio: number }[] })[];
  /** Colours that the style sheets name, and that are none of the house's. */
  found: PaletteColour[];
  mayChange: boolean;
}

/** Colours of a house, and of its sheets, that are told. */
const MOST = 24;
/** Longest style sheet read, in bytes, and how many. */
const LONGEST = 1_000_000;
const MOST_SHEETS = 40;

/** The house's palette, and what its style sheets have besides. */
export async function palette(services: Services, actor: Actor, wish: Reach): Promise<Result<PaletteView>> {
  const read = await snapshot(services.db, async (at) => {
    const reach = await reached(at, actor, 'see', wish);
    if (!reach.ok) return reach;
    const own = await housePalette(at, (await house(at)).profileId);
    const sheets = await sheetTexts(
      at,
      reach.value.map(({ id }) => id),
      LONGEST,
      MOST_SHEETS,
    );
    return done({ own, sheets });
  });
  if (!read.ok) return read;
  const { own, sheets } = read.value;
  const known = new Set(own.map(({ value }) => value));
  return done({
    colours: own.map((colour) => ({ ...colour, on: own.map(({ value }) => ({ value, ratio: ratioOf(colour.value, value) })) })),
    found: coloursOfSheets(sheets, MOST + known.size).filter(({ colour }) => !known.has(colour)),
    mayChange: may(actor, 'set the standard', 'house'),
  });
}

/** Cut, never rounded up. */
function ratioOf(text: string, ground: string): number {
  const [one, two] = [parseColour(text), parseColour(ground)];
  return one && two ? Math.floor(contrastRatio(one, two) * 100) / 100 : 1;
}

/** Names the house's colours. They are offered wherever a colour is chosen, once pages were looked at again in the background. */
export async function setPalette(
  services: Services,
  actor: Actor,
  wish: { colours: readonly NamedColour[] },
): Promise<Result<{ colours: number }>> {
  const barred = unlessAllowed(actor, 'set the standard', 'house', 'This');
  if (barred) return barred;
  const colours = wish.colours.map(({ value, name }) => ({ value: plain(value), name: name.trim() }));
  const bad = wish.colours.find(({ value }) => plain(value) === null);
  if (bad)
    return refused({ code: 'declined', what: `“${bad.value}” is no colour`, kept: 'Nothing was changed.', next: 'Write it as #rrggbb.' });
  const once = [...new Map(colours.map(({ value, name }) => [value!, { value: value!, name: name || value! }])).values()].slice(0, MOST);
  const profile = await profileById(services.db, (await house(services.db)).profileId);
  const { name, version, vocabulary } = profile!;
  const set = await setStandard(services, actor, {
    profile: name,
    version,
    vocabulary: { ...vocabulary, colours: once.map(({ value }) => value) },
  });
  if (!set.ok) return set;
  await writing(services.db, (trx) => nameColours(trx, once));
  return done({ colours: once.length });
}

function plain(written: string): string | null {
  const colour = parseColour(written.trim());
  return colour?.a === 1 ? hexOf(colour) : null;
}
