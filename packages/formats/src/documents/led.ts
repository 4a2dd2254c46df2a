import { applyEdits, parsePage, tidy, type Edit, type Page } from '@inkwell/core';

/**
 * Where something of an address lies now, as it is to be written in a page or sheet; undefined where it stays behind its address.
 * `written`: the address as it stands there.
 */
export type PlaceOf = (address: string, shows: boolean, written: string) => string | undefined;

/** Attributes that name what a page shows. */
const SHOWN = new Set(['src', 'poster', 'data', 'background']);

/**
 * Edits by which a page calls what came with it by its file, and what did not by where it leads from wherever the page lies.
 *
 * @param location where the page came from
 */
export function leadingEdits(page: Page, location: string, placeOf: PlaceOf): Edit[] {
  const edits: Edit[] = [];
  // A base of its own says from where addresses lead; from now on that is where the page lies.
  const base = page.elements.find((element) => element.tag === 'base')?.attributes.find(({ name }) => name === 'href');
  const home = base ? absolute(base.value, location) : location;
  if (base?.range) edits.push({ ...base.range, text: 'href=""' });
  for (const element of page.elements)
    for (const { name, value, range } of element.attributes) {
      if (!range) continue;
      const next = ledValue(element.tag, name, value, home, placeOf);
      if (next !== null && next !== value && next !== '') edits.push({ ...range, text: `${name}="${escaped(next)}"` });
    }
  return edits;
}

const escaped = (value: string) => value.replace(/&/g, '&amp;').replace(/"/g, '&quot;');

function ledValue(tag: string, name: string, value: string, location: string, placeOf: PlaceOf): string | null {
  if (name === 'srcset') return ledSources(value, location, placeOf);
  if (name === 'style') return ledSheet(value, location, placeOf);
  const shows = SHOWN.has(name) || (name === 'href' && tag === 'link');
  if (!shows && !(name === 'href' && (tag === 'a' || tag === 'area'))) return null;
  const place = placeOf(absolute(value, location), shows, value);
  if (place !== undefined) return place;
  return name === 'href' && !value.startsWith('#') ? absolute(value, location) : null;
}

/** Each address of a source set, with its widths behind it. */
function ledSources(value: string, location: string, placeOf: PlaceOf): string {
  return value.replace(
    /(^|,\s*)([^\s,]\S*[^\s,])/g,
    (_whole, before: string, address: string) => before + (placeOf(absolute(address, location), true, address) ?? address),
  );
}

/** A style sheet, or a style attribute, in which what it shows is called by its file. */
export function ledSheet(text: string, location: string, placeOf: PlaceOf): string {
  return text.replace(/url\(\s*(["']?)([^"')]+)\1\s*\)/gi, (whole, quote: string, address: string) => {
    const place = placeOf(absolute(address, location), true, address);
    return place === undefined ? whole : `url(${quote}${place}${quote})`;
  });
}

export function absolute(address: string, location: string): string {
  try {
    return new URL(tidy(address), location || undefined).href;
  } catch {
    return tidy(address);
  }
}

/** The same as a text. */
export function ledPage(html: string, location: string, placeOf: PlaceOf): string {
  return applyEdits(html, leadingEdits(parsePage(html), location, placeOf));
}
