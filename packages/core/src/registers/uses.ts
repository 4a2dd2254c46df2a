import type { Finding } from '../audit/findings.ts';
import { elementAt } from '../document/paths.ts';
import { elementParent, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import type { Family } from '../rules/types.ts';
import { colourUses } from './colours.ts';
import { headingUses } from './headings.ts';
import { imageUses } from './images.ts';
import { linkUses } from './links.ts';
import { listUses } from './lists.ts';
import { mediaUses } from './media.ts';
import { tableUses } from './tables.ts';
import { textUses } from './text.ts';
import { likenessOf, REGISTERS, thingOf, type RegisterName, type Use, type UseFacts } from './types.ts';
import { append } from '../source/lists.ts';

type Reader = (page: Page, address: string, findings: readonly Finding[]) => Use[];

const READERS: Record<RegisterName, Reader> = {
  images: imageUses,
  links: linkUses,
  headings: headingUses,
  tables: tableUses,
  lists: listUses,
  colours: colourUses,
  media: mediaUses,
  text: (page, _address, findings) => textUses(page, findings),
};

/** The family of rules that speak of what a register holds. */
export const FAMILY_OF: Record<RegisterName, Family> = {
  images: 'images',
  links: 'links',
  headings: 'headings',
  tables: 'tables',
  lists: 'lists',
  colours: 'colour',
  media: 'media',
  text: 'text',
};

/** The uses of one register on a page, in document order. `address`: where the page lies in its collection. */
export function usesIn(register: RegisterName, page: Page, address: string, findings: readonly Finding[]): Use[] {
  return READERS[register](page, address, findings);
}

/** Uses of a page that say the same of the same thing, told once: no places, which move with every change of the text. */
export interface UseRow {
  register: RegisterName;
  name: string;
  place: string;
  says: string | null;
  traits: number;
  facts: UseFacts;
  /** How many there are. */
  many: number;
  /** What was found on them, as numbers in the list of findings. */
  findings: number[];
}

/** All that the registers hold of a page. */
export function useRowsOf(page: Page, address: string, findings: readonly Finding[]): UseRow[] {
  return REGISTERS.flatMap((register) => rowsIn(register, page, address, findings));
}

function rowsIn(register: RegisterName, page: Page, address: string, findings: readonly Finding[]): UseRow[] {
  const uses = usesIn(register, page, address, findings);
  const found = findingsOn(page, register, uses, findings);
  const rows = new Map<string, UseRow>();
  uses.forEach((use, nth) => {
    const key = `${thingOf(use)}\n${likenessOf(use)}`;
    const row = rows.get(key);
    const own = found.get(nth) ?? [];
    if (row) {
      row.many++;
      append(
        row.findings,
        own.filter((one) => !row.findings.includes(one)),
      );
    } else {
      const { name, place, says, traits, facts } = use;
      rows.set(key, { register, name, place, says, traits, facts, many: 1, findings: own });
    }
  });
  return [...rows.values()];
}

/** Levels looked at above what a finding points to, for the thing it speaks of. */
const HIGHEST = 8;

/** Which findings speak of which use: they point to an element of it, to one within it, or to what holds it. */
export function findingsOn(page: Page, register: RegisterName, uses: readonly Use[], findings: readonly Finding[]): Map<number, number[]> {
  // Each is a finding, in their order.
  if (register === 'text')
    return new Map(findings.flatMap((one, nth) => (one.family === 'text' ? [nth] : [])).map((nth, use) => [use, [nth]]));
  const byElement = new Map<ElementNode, number>();
  uses.forEach(({ elements }, nth) => elements.forEach((element) => !byElement.has(element) && byElement.set(element, nth)));
  const byUse = new Map<number, number[]>();
  findings.forEach(({ family, at, places = [at] }, nth) => {
    if (family !== FAMILY_OF[register]) return;
    const reached = new Set(places.flatMap(({ path }) => useAt(elementAt(page, path), byElement) ?? []));
    for (const use of reached) byUse.set(use, [...(byUse.get(use) ?? []), nth]);
  });
  return byUse;
}

function useAt(element: ElementNode | null, byElement: ReadonlyMap<ElementNode, number>): number | null {
  let here = element;
  for (let steps = 0; here && steps < HIGHEST; here = elementParent(here), steps++) {
    const use = byElement.get(here);
    if (use !== undefined) return use;
  }
  return element ? firstWithin(element, byElement) : null;
}

/** Elements looked at within what a finding points to. */
const MOST_WITHIN = 200;

function firstWithin(element: ElementNode, byElement: ReadonlyMap<ElementNode, number>): number | null {
  const waiting = [element];
  for (let looked = 0; looked < MOST_WITHIN; looked++) {
    const here = waiting.pop();
    if (!here) return null;
    const use = byElement.get(here);
    if (use !== undefined) return use;
    for (let at = here.children.length - 1; at >= 0; at--) {
      const child = here.children[at]!;
      if (child.kind === 'element') waiting.push(child);
    }
  }
  return null;
}
