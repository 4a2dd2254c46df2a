import { existsSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import {
  isNamedXhtml,
  parsePage,
  surroundingsFrom,
  titleText,
  type Neighbours,
  type Page,
  type Profile,
  type Scope,
  type Surroundings,
  type Vocabulary,
} from '@inkwell/core';
import { readPage, type PageFile, type PageRead } from './pages.ts';

/** What applies to every page of a call. */
export interface How {
  profile: Profile;
  /** The house's own words and colours. */
  vocabulary: Vocabulary;
  scope: Scope | undefined;
  /** Texts of style sheets that apply besides the pages' own. */
  sheets: readonly string[];
}

/** Longest style sheet that is read. */
export const LONGEST_SHEET = 2_000_000;

/**
 * What is known of a page from the files around it: the style sheets it links to, and, in a folder or package, its neighbours. `sheets`
 * are texts of sheets that apply besides its own.
 */
function surroundingsOf(page: PageFile, neighbours: Neighbours | null, sheets: readonly string[], vocabulary: Vocabulary): Surroundings {
  const { path, title, place } = page;
  const known = neighbours ? surroundingsFrom({ address: path, scope: title === '' ? 'document' : 'fragment', title }, neighbours) : {};
  return {
    ...known,
    vocabulary,
    ...(vocabulary.colours?.length ? { houseColours: vocabulary.colours } : {}),
    extraSheets: sheets,
    ...(place?.in === 'folder' ? { sheetAt: (href: string, from: string) => sheetBeside(place.file, href, from) } : {}),
  };
}

/** A page in its surroundings, and where it was read from. */
export async function openPage(
  file: PageFile,
  { scope, sheets = [], vocabulary = {} }: Partial<How>,
  neighbours: Neighbours | null = null,
): Promise<{ page: Page; read: PageRead }> {
  const read = await readPage(file);
  const page = parsePage(read.html, {
    ...(scope ? { scope } : {}),
    xhtml: file.inside === null && isNamedXhtml(file.path),
    surroundings: surroundingsOf(file, neighbours, sheets, vocabulary),
  });
  return { page, read };
}

/** A page's own title, else what its manifest calls it. */
export function titleOf(page: Page, file: PageFile): string {
  return titleText(page) || file.title;
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
