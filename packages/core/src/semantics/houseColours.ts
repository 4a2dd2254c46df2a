import { fact, type Page } from '../document/page.ts';
import { sheetsOf } from '../style/cascade.ts';
import { hexOf, parseColour } from '../style/colour.ts';

const MOST = 12;

/**
 * The colours of the house, as #rrggbb: those it names, or else those its style sheets give to text or keep in custom properties, most
 * used first.
 */
export const houseColours = fact((page: Page): string[] => {
  const named = page.surroundings.houseColours;
  if (named) return named.flatMap((written) => hexOrNone(written));
  const uses = new Map<string, number>();
  for (const { normal, important } of sheetsOf(page).flatMap((sheet) => sheet.rules)) {
    for (const { property, value } of [...normal, ...important]) {
      if (property !== 'color' && !property.startsWith('--')) continue;
      for (const hex of hexOrNone(value.trim())) uses.set(hex, (uses.get(hex) ?? 0) + 1);
    }
  }
  return [...uses]
    .sort((a, b) => b[1] - a[1])
    .slice(0, MOST)
    .map(([hex]) => hex);
});

function hexOrNone(written: string): string[] {
  const colour = parseColour(written);
  return colour?.a === 1 ? [hexOf(colour)] : [];
}
