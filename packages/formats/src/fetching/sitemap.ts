import { gunzipSync } from 'node:zlib';
import { childOf, childrenOf, readXmlTree } from '../packages/xmlTree.ts';

/** What a sitemap names: pages, and further sitemaps (sitemaps.org, protocol 0.9; from memory). */
export interface Sitemap {
  pages: string[];
  sitemaps: string[];
}

/** Longest sitemap, unpacked, in bytes: what the protocol allows. */
const LONGEST = 50 * 1024 * 1024;

/** Reads a sitemap, packed with gzip or not, or a text with an address a line. Null when it is neither. */
export function readSitemap(bytes: Buffer): Sitemap | null {
  const text = unpacked(bytes)
    ?.toString('utf8')
    .replace(/^\ufeff/, '');
  if (text === undefined) return null;
  if (!text.trimStart().startsWith('<')) return { pages: addressesIn(text), sitemaps: [] };
  const read = readXmlTree(text.trimStart());
  if (!read.ok) return null;
  const named = (name: string) => childrenOf(read.root, name).flatMap((one) => childOf(one, 'loc')?.text.trim() || []);
  return { pages: named('url'), sitemaps: named('sitemap') };
}

/** The addresses in a text, one a line; what is none is left out. */
export function addressesIn(text: string): string[] {
  return text.split(/\s+/).filter((word) => /^https?:\/\/./i.test(word) && URL.canParse(word));
}

function unpacked(bytes: Buffer): Buffer | undefined {
  if (bytes[0] !== 0x1f || bytes[1] !== 0x8b) return bytes;
  try {
    return gunzipSync(bytes, { maxOutputLength: LONGEST });
  } catch {
    return undefined;
  }
}
