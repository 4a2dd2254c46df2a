import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, readdirSync, statSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import { decodeHtml } from '@inkwell/formats';
import { isNamedXhtml, parsePage, type Page } from '@inkwell/core';

/** HTML books of Debian's documentation packages: real pages that nobody here wrote. */
export const BOOKS = ['python3.11-doc', 'octave-doc', 'developers-reference', 'debmake-doc', 'abs-guide', 'gnuplot-doc'] as const;

const HERE = import.meta.dirname;

/** Up to `most` pages of an installed package, spread evenly over its files in name order; none when it is not installed. */
export function bookPages(book: string, most: number): string[] {
  const listed = spawnSync('dpkg', ['-L', book], { encoding: 'utf8' });
  const files =
    listed.status === 0
      ? listed.stdout
          .split('\n')
          .filter((file) => /\.html?$/.test(file) && isContent(file))
          .sort()
      : [];
  if (files.length <= most) return files;
  return Array.from({ length: most }, (_none, i) => files[Math.floor((i * files.length) / most)]!);
}

/** A page of its own: no folder with a page's name, and no page that only sends its reader on. */
function isContent(file: string): boolean {
  return (
    statSync(file, { throwIfNoEntry: false })?.isFile() === true &&
    !/http-equiv\s*=\s*["']?refresh/i.test(readFileSync(file, 'latin1').slice(0, 4_000))
  );
}

export function demoPages(): string[] {
  const folder = join(HERE, '../../demo/pages');
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.html'))
    .sort()
    .map((file) => join(folder, file));
}

/** A file as its page, with the style sheets that lie beside it; null when it is none. */
export function openFile(file: string): Page | null {
  const read = decodeHtml(readFileSync(file));
  if (!read.ok) return null;
  return parsePage(read.text, {
    scope: 'document',
    xhtml: isNamedXhtml(file),
    surroundings: { sheetAt: (address, from) => sheetAt(file, address, from) },
  });
}

function safely(address: string): string {
  try {
    return decodeURIComponent(address);
  } catch {
    return address;
  }
}

function sheetAt(file: string, address: string, from: string): { text: string; address: string } | undefined {
  if (/^[a-z]+:|^\/\//i.test(address)) return undefined;
  const path = normalize(join(dirname(from || file), safely(address.split(/[?#]/)[0]!)));
  return existsSync(path) && statSync(path).isFile() ? { text: readFileSync(path, 'utf8'), address: path } : undefined;
}
