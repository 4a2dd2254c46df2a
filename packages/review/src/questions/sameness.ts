import { createHash } from 'node:crypto';
import type { Finding } from '@inkwell/core';
import { hashesAt, type PlacedPage, type Write } from '@inkwell/store';

/**
 * For each finding the sum of what makes its question the same question elsewhere; null where it asks none. Its first letter says how far
 * an answer may reach: `a` anywhere, `c` within the collection, `o` only this finding. Where the second is an `i` it is about an image, and
 * the first half of what follows is the image's, by its bytes and its alternative text.
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
    if (!same) return `o-${sum(`${page.id} ${finding.fingerprint}`, 32)}`;
    // A file that is not here is known by its place in this collection.
    const isHere = same.image === null || hashes.has(same.image) || URL.canParse(same.image);
    const anywhere = same.anywhere && isHere;
    const key = anywhere ? same.key : `${page.collection_id}\n${same.key}`;
    const reach = anywhere ? 'a' : 'c';
    if (same.image === null) return `${reach}-${sum(key, 32)}`;
    const alternative = /^alternative: .*$/m.exec(same.key)?.[0] ?? '';
    return `${reach}i${sum(`${hashes.get(same.image) ?? same.image}\n${alternative}`, 16)}${sum(key, 16)}`;
  });
}

/** How far an answer to a question with this sum may reach. */
export const mayReachAnywhere = (same: string): boolean => same.startsWith('a');

const sum = (text: string, digits: number) => createHash('sha256').update(text.toWellFormed()).digest('hex').slice(0, digits);

/** Whether a question is about another image than it was, or about other words for it: then it is another question. */
export function isOfOtherImage(before: string | null, after: string | null): boolean {
  return before?.[1] === 'i' && after?.[1] === 'i' && before.slice(2, 18) !== after.slice(2, 18);
}
