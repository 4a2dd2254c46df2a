'use client';
import { useCallback, useEffect, useRef, useState, type KeyboardEvent } from 'react';

export interface Place {
  row: number;
  column: number;
}

export interface Grid {
  rows: number;
  columns: number;
  /** Cells of its last row, where they are fewer. */
  last?: number;
  /** Rows that a page key goes over. */
  page: number;
}

/** Where a key leads in a grid, as the WAI-ARIA Authoring Practices have it ("Grid pattern"); null for a key that leads nowhere. */
export function placeAfter(key: string, control: boolean, { row, column }: Place, grid: Grid): Place | null {
  const at = (to: number, across: number): Place => {
    const line = Math.min(Math.max(0, to), grid.rows - 1);
    const most = line === grid.rows - 1 && grid.last !== undefined ? grid.last : grid.columns;
    return { row: line, column: Math.min(Math.max(0, across), most - 1) };
  };
  switch (key) {
    case 'ArrowDown':
      return at(row + 1, column);
    case 'ArrowUp':
      return at(row - 1, column);
    case 'ArrowRight':
      return at(row, column + 1);
    case 'ArrowLeft':
      return at(row, column - 1);
    case 'PageDown':
      return at(row + grid.page, column);
    case 'PageUp':
      return at(row - grid.page, column);
    case 'Home':
      return at(control ? 0 : row, 0);
    case 'End':
      return at(control ? grid.rows - 1 : row, grid.columns - 1);
    default:
      return null;
  }
}

interface Acts {
  onMove(place: Place): void;
  onOpen(place: Place): void;
  onToggle(place: Place): void;
  onAll(): void;
}

/** One cell of a grid can be tabbed to; arrows, Home, End and the page keys go from there. */
export function useGridKeys(grid: Grid, place: Place, acts: Acts) {
  const frame = useRef<HTMLDivElement>(null);
  const [moved, setMoved] = useState(0);
  const focusCell = useCallback(() => setMoved((now) => now + 1), []);
  useEffect(() => {
    if (moved === 0) return;
    frame.current?.querySelector<HTMLElement>('[data-cell="here"]')?.focus({ preventScroll: true });
  }, [moved, place.row, place.column]);
  const onKeyDown = (event: KeyboardEvent) => {
    const control = event.ctrlKey || event.metaKey;
    // Keys of a field or a link in a cell are its own.
    if (event.altKey || !(event.target as HTMLElement).matches('[role="gridcell"], [role="columnheader"]')) return;
    const to = placeAfter(event.key, control, place, grid);
    if (to) {
      acts.onMove(to);
      focusCell();
    } else if (event.key === 'Enter') acts.onOpen(place);
    else if (event.key === ' ') acts.onToggle(place);
    else if (control && event.key.toLowerCase() === 'a') acts.onAll();
    else return;
    event.preventDefault();
  };
  return { frame, onKeyDown, focusCell };
}
