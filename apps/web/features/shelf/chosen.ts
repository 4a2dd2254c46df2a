import type { ShelfRow } from '@inkwell/review';

export const ORDERS = [
  { value: 'title', label: 'Title' },
  { value: 'held', label: 'Most held' },
  { value: 'hours', label: 'Most left to do' },
  { value: 'changed', label: 'Changed last' },
] as const;

export const KINDS = [
  { value: '', label: 'All' },
  { value: 'course', label: 'Courses' },
  { value: 'site', label: 'Sites' },
  { value: 'book', label: 'Books' },
] as const;

export interface ShelfChosen {
  order: (typeof ORDERS)[number]['value'];
  kind: (typeof KINDS)[number]['value'];
  words: string;
}

/** What an address asks of the shelf; what it does not know asks for nothing. */
export function choiceOf(search: { get(name: string): string | null }): ShelfChosen {
  return {
    order: ORDERS.find(({ value }) => value === search.get('order'))?.value ?? 'title',
    kind: KINDS.find(({ value }) => value === search.get('kind'))?.value ?? '',
    words: (search.get('words') ?? '').slice(0, 200),
  };
}

/** The query of a choice, with its question mark; empty when everything is as usual. */
export function queryOf({ order, kind, words }: ShelfChosen): string {
  const search = new URLSearchParams();
  if (order !== 'title') search.set('order', order);
  if (kind) search.set('kind', kind);
  if (words.trim()) search.set('words', words.trim());
  const query = search.toString();
  return query && `?${query}`;
}

/** Rows as the server gave them, by title, narrowed and in the order chosen. */
export function chosenRows(rows: readonly ShelfRow[], { order, kind, words }: ShelfChosen): ShelfRow[] {
  const looked = words.trim().toLowerCase();
  const left = rows.filter((row) => (kind === '' || row.kind === kind) && row.title.toLowerCase().includes(looked));
  const most: Record<ShelfChosen['order'], (row: ShelfRow) => number> = {
    title: () => 0,
    held: (row) => row.verdicts.held,
    hours: (row) => row.hours,
    changed: (row) => (row.last ? Date.parse(row.last.at) : 0),
  };
  return left.sort((a, b) => most[order](b) - most[order](a));
}
