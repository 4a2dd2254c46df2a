'use client';
import type { ShelfRow } from '@inkwell/review';
import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { Pick, SearchBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { chosenRows, choiceOf, KINDS, ORDERS, queryOf, type ShelfChosen } from './chosen';

/** Which collections are shown, and in which order: it stands in the address. */
export function useChoice(rows: readonly ShelfRow[]) {
  const search = useSearchParams();
  const [choice, setChoice] = useState(() => choiceOf(search));
  const change = (part: Partial<ShelfChosen>) => {
    const next = { ...choice, ...part };
    setChoice(next);
    window.history.replaceState(null, '', queryOf(next) || window.location.pathname);
  };
  return { choice, change, rows: chosenRows(rows, choice) };
}

export function ShelfChoice({ choice, onChange }: { choice: ShelfChosen; onChange(part: Partial<ShelfChosen>): void }) {
  return (
    <Row role="search" aria-label="Choose collections" style={{ marginTop: '1rem' }}>
      <Pick label="Order" value={choice.order} onChange={(order) => onChange({ order: order as ShelfChosen['order'] })} options={ORDERS} />
      <Pick label="Kind" value={choice.kind} onChange={(kind) => onChange({ kind: kind as ShelfChosen['kind'] })} options={KINDS} />
      <SearchBox label="Title holds" value={choice.words} onChange={(words) => onChange({ words })} />
    </Row>
  );
}
