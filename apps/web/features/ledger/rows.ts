import type { Ledger, LedgerRow } from '@inkwell/review';

type PartSum = NonNullable<Ledger['narrowing']>['parts'][number];

/** A row of the ledger: a page, or the part of the collection that the pages below it lie in. */
export type GridRow = { page: LedgerRow } | { part: string; sum: PartSum | undefined };

/** Pages under the parts they lie in. `parts`: what is known of each; with none the pages stand alone. */
export function rowsOf(pages: readonly LedgerRow[], parts: readonly PartSum[]): GridRow[] {
  if (parts.length === 0) return pages.map((page) => ({ page }));
  const sums = new Map(parts.map((sum) => [sum.part, sum]));
  const rows: GridRow[] = [];
  let part = '';
  for (const page of pages) {
    if (page.part !== part) rows.push({ part: page.part || 'In no part', sum: sums.get(page.part) });
    part = page.part;
    rows.push({ page });
  }
  return rows;
}
