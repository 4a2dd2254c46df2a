import { createHash } from 'node:crypto';
import type { Finding } from '@inkwell/core';
import { hashesAt, type PlacedPage, type Write } from '@inkwell/store';

/**
 * For each finding the sum of what makes its question the same question elsewhere; null where it asks none. Its first letter says how far
 * an answer may reach: `i` and `a` anywhere, `c` within the collection, `o` only this finding. In the sum of a question about an image the
 * first half is the image's, by its bytes and its alternative text.
 */
export async function sumsOf(
  trx: Write,
  page: Pick<PlacedPage, 'id' | 'collection_id'>,
  findings: readonly Finding[],
): Promise<(string | null)[]> {
  const images = new Set(findings.flatMap(({ same }) => same?.image ?? []));
  const hashes = await hashesAt(trx, page.collection_id, [...images]);
  return findings.map((finding) => {
    if (finding.outcome !== 'cantTell') return null;
    const { same } = finding;
    if (!same) return `o${sum(`${page.id} ${finding.fingerprint}`, 32)}`;
    if (!same.anywhere) return `c${sum(`${page.collection_id}\n${same.key}\n${imageOf(same.image, hashes)}`, 32)}`;
    if (same.image === null) return `a${sum(same.key, 32)}`;
    const alternative = /^alternative: .*$/m.exec(same.key)?.[0] ?? '';
    return `i${sum(`${imageOf(same.image, hashes)}\n${alternative}`, 16)}${sum(same.key, 16)}`;
  });
}

const sum = (text: string, digits: number) => createHash('sha256').update(text.toWellFormed()).digest('hex').slice(0, digits);

/** An image by its bytes where they are here, else by its address. */
const imageOf = (path: string | null, hashes: ReadonlyMap<string, string>) => (path === null ? '' : (hashes.get(path) ?? path));

/** Whether a question is about another image than it was, or about other words for it: then it is another question. */
export function isOfOtherImage(before: string | null, after: string | null): boolean {
  return before?.[0] === 'i' && after?.[0] === 'i' && before.slice(0, 17) !== after.slice(0, 17);
}
