import { existsSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, normalize, relative, sep } from 'node:path';
import { surroundingsFrom, type Neighbours, type Surroundings } from '@inkwell/core';

/** Longest style sheet that is read. */
const LONGEST_SHEET = 2_000_000;

/**
 * What is known of a page from the files around it: the style sheets it links to, and, in a folder, its neighbours. `sheets` are texts
 * of sheets that apply besides its own.
 */
export function surroundingsOf(
  file: string | null,
  address: string,
  neighbours: Neighbours | null,
  sheets: readonly string[],
): Surroundings {
  const known = neighbours ? surroundingsFrom({ address, scope: 'document', title: '' }, neighbours) : {};
  return {
    ...known,
    extraSheets: sheets,
    ...(file === null ? {} : { sheetAt: (href: string, from: string) => sheetBeside(file, href, from) }),
  };
}

/** A sheet on disk that a page or another sheet names by a relative address. `from`: path of the sheet that imports it. */
function sheetBeside(file: string, href: string, from: string): { text: string; address: string } | undefined {
  if (/^[a-z][a-z0-9+.-]*:|^\/\//i.test(href) || href.startsWith('/')) return undefined;
  const path = normalize(join(dirname(from || file), safely(href.split(/[?#]/)[0]!)));
  const about = existsSync(path) ? statSync(path) : null;
  return about?.isFile() && about.size <= LONGEST_SHEET ? { text: readFileSync(path, 'utf8'), address: path } : undefined;
}

function safely(address: string): string {
  try {
    return decodeURIComponent(address);
  } catch {
    return address;
  }
}

/** The address of a file in a folder: its path with forward slashes. */
export function addressIn(folder: string, file: string): string {
  return relative(folder, file).split(sep).join('/');
}
