import { existsSync, readFileSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** Pages longer than this take the browser too long, shorter ones hold nothing. */
const SIZES = { least: 600, most: 400_000 };

export interface CorpusPage {
  package: string;
  file: string;
}

/** Real pages of unpacked packages: up to `each` of every package, spread evenly over its files in name order. */
export function corpusPages(folder: string, each: number): CorpusPage[] {
  return readdirSync(folder, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map((entry) => entry.name)
    .sort()
    .flatMap((name) => spread(pagesIn(join(folder, name)), each).map((file) => ({ package: name, file })));
}

function pagesIn(folder: string): string[] {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.x?html?$/i.test(entry.name))
    .map((entry) => join(entry.parentPath, entry.name))
    .filter(isContent)
    .sort();
}

/** A page of its own, and none that only sends its reader on. */
function isContent(file: string): boolean {
  if (!existsSync(file)) return false;
  const { size } = statSync(file);
  return size > SIZES.least && size < SIZES.most && !/http-equiv\s*=\s*["']?refresh/i.test(readFileSync(file, 'latin1').slice(0, 4_000));
}

function spread(files: readonly string[], each: number): string[] {
  return files.length <= each
    ? [...files]
    : Array.from({ length: each }, (_none, i) => files[Math.floor(((i + 0.5) * files.length) / each)]!);
}
