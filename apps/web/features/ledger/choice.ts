import type { LedgerChoice } from '@inkwell/review';
import { FAMILIES } from '@/ui/words';

export const ORDERS = [
  { value: 'holding', label: 'What holds most' },
  { value: 'title', label: 'Title' },
  { value: 'position', label: 'Place in the collection' },
  { value: 'part', label: 'Part by part' },
] as const satisfies readonly { value: LedgerChoice['order']; label: string }[];

export const VERDICTS = ['held', 'judge', 'ready'] as const;
export const RELEASES = ['draft', 'signed off', 'published', 'lapsed'] as const;

/** What an address asks of the ledger; what it does not know asks for nothing. */
export function choiceFrom(search: { get(name: string): string | null }): LedgerChoice {
  const one = <T extends string>(name: string, known: readonly T[]): T | undefined => known.find((value) => value === search.get(name));
  const words = search.get('words')?.trim().slice(0, 200);
  return {
    order:
      one(
        'order',
        ORDERS.map((order) => order.value),
      ) ?? 'holding',
    verdict: one('verdict', VERDICTS),
    release: one('release', RELEASES),
    family: one('family', FAMILIES),
    contentType: search.get('type')?.slice(0, 40) || undefined,
    part: search.get('part')?.slice(0, 4_000) || undefined,
    by: search.get('by')?.slice(0, 80) || undefined,
    words: words === '' ? undefined : words,
    after: search.get('after') ?? undefined,
  };
}

/** A choice as it is written in an address: only what differs from the usual one. */
export function queryOf({ order, contentType, ...rest }: LedgerChoice): string {
  const search = new URLSearchParams();
  if (order !== 'holding') search.set('order', order);
  for (const [name, value] of Object.entries({ ...rest, type: contentType })) if (value) search.set(name, value);
  return search.toString();
}

/** The address of a choice. */
export function addressOf(collection: string, choice: LedgerChoice): string {
  const query = queryOf(choice);
  return `/collections/${encodeURIComponent(collection)}${query ? `?${query}` : ''}`;
}
