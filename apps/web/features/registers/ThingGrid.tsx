'use client';
import type { RegisterName } from '@inkwell/core';
import type { RegisterOrder, ThingLine } from '@inkwell/review';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { COLUMNS, saysWords, type Column } from './columns';
import { REGISTER_WORDS } from './choice';
import { Thumbnail } from './Thumbnail';
import { useGridKeys, type Place } from './useGridKeys';

const Frame = styled.div`
  position: relative;
  overflow: auto;
  height: 100%;
  min-height: 16rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  contain: strict;
`;
const Sized = styled.div<{ $least: string }>`
  position: relative;
  min-width: ${({ $least }) => $least};
`;
const Row = styled.div`
  display: grid;
  align-items: stretch;
  width: 100%;
  &[aria-selected='true'] {
    background: var(--gallWash);
  }
  &[data-hand] {
    box-shadow: inset 4px 0 0 var(--gall);
  }
  &:not(:first-child):hover {
    background: var(--paper);
  }
`;
const Head = styled(Row)`
  position: sticky;
  top: 0;
  z-index: 2;
  background: var(--paper);
  border-bottom: 1px solid var(--edge);
  font-size: 0.8125rem;
  font-weight: 600;
  color: var(--quiet);
`;
const Cell = styled.div`
  display: flex;
  align-items: center;
  min-width: 0;
  padding: 0.25rem 0.6rem;
  border-bottom: 1px solid var(--line);
  font-variant-numeric: tabular-nums;
  cursor: default;
  &.number {
    justify-content: end;
    text-align: right;
  }
  &:focus-visible {
    outline: 3px solid var(--gall);
    outline-offset: -3px;
  }
`;
const Sort = styled.button`
  border: 0;
  background: none;
  padding: 0.3rem 0;
  color: inherit;
  font: inherit;
  text-decoration: underline;
  text-decoration-thickness: 1px;
  text-underline-offset: 3px;
  cursor: pointer;
  &[data-on] {
    color: var(--ink);
    font-weight: 700;
  }
`;
const Mark = styled.span`
  flex: none;
  width: 1rem;
  height: 1rem;
  border: 2px solid var(--ink);
  border-radius: 2px;
  [aria-selected='true'] > * > & {
    background: var(--gall);
    box-shadow: inset 0 0 0 3px var(--sheet);
  }
`;
const Card = styled.div`
  display: grid;
  align-content: start;
  justify-items: center;
  gap: 0.35rem;
  min-width: 0;
  padding: 0.6rem 0.5rem;
  border: 1px solid var(--line);
  margin: -1px 0 0 -1px;
  font-size: 0.8125rem;
  text-align: center;
  cursor: default;
  > span:last-child {
    max-width: 100%;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  &[aria-selected='true'] {
    background: var(--gallWash);
  }
  &[data-hand] {
    box-shadow: inset 0 0 0 3px var(--gall);
  }
  &:focus-visible {
    outline: 3px solid var(--gall);
    outline-offset: -3px;
  }
`;

export interface ThingGridProps {
  register: RegisterName;
  shape: 'table' | 'grid';
  total: number;
  lines: ReadonlyMap<number, ThingLine>;
  /** The line in hand. */
  at: number;
  chosen: { has(key: string): boolean };
  order: RegisterOrder;
  onSee(start: number, end: number): void;
  onMove(at: number): void;
  onOpen(at: number): void;
  onToggle(line: ThingLine): void;
  onAll(): void;
  onOrder(order: RegisterOrder): void;
}

/** Least width of a card of the grid, and heights of rows, in px. */
const CARD = 156;
const HEIGHTS = { images: 58, other: 44, grid: 176 };
const MARK_COLUMN = '2.4rem';

/** Things by the ten thousand: only the rows in sight are there, and the one in hand; moved in with the keys of a grid. */
export function ThingGrid(props: ThingGridProps) {
  const { register, shape, total, lines, at, chosen, onSee } = props;
  const [width, setWidth] = useState(800);
  const across = shape === 'grid' ? Math.max(1, Math.floor(width / CARD)) : COLUMNS[register].length + 1;
  const perRow = shape === 'grid' ? across : 1;
  const rows = Math.ceil(total / perRow);
  const [column, setColumn] = useState(1);
  const place: Place =
    shape === 'grid' ? { row: Math.floor(at / perRow), column: at % perRow } : { row: at, column: Math.min(column, across - 1) };
  const height = shape === 'grid' ? HEIGHTS.grid : register === 'images' ? HEIGHTS.images : HEIGHTS.other;
  const go = (to: Place) => {
    if (shape === 'table') setColumn(to.column);
    props.onMove(Math.min(total - 1, to.row * perRow + (shape === 'grid' ? to.column : 0)));
  };
  const last = shape === 'grid' ? total - (rows - 1) * perRow : undefined;
  const line = lines.get(at);
  const { frame, onKeyDown, focusCell } = useGridKeys({ rows, columns: across, page: 8, ...(last ? { last } : {}) }, place, {
    onMove: go,
    onOpen: () => props.onOpen(at),
    onToggle: () => line && props.onToggle(line),
    onAll: props.onAll,
  });
  const virtual = useVirtualizer({
    count: rows,
    getScrollElement: () => frame.current,
    estimateSize: () => height,
    overscan: 4,
    // The row in hand stays, wherever one scrolls: it has the focus.
    rangeExtractor: ({ startIndex, endIndex, overscan, count }) => {
      const from = Math.max(0, startIndex - overscan);
      const until = Math.min(count - 1, endIndex + overscan);
      const all = Array.from({ length: until - from + 1 }, (_, nth) => from + nth);
      return place.row < from ? [place.row, ...all] : place.row > until && place.row < count ? [...all, place.row] : all;
    },
  });
  const items = virtual.getVirtualItems();
  const [first, end] = [virtual.range?.startIndex ?? 0, virtual.range?.endIndex ?? 0];
  useEffect(() => onSee(first * perRow, Math.min(total, (end + 1) * perRow) - 1), [first, end, perRow, total, onSee]);
  useEffect(() => virtual.scrollToIndex(place.row, { align: 'auto' }), [virtual, place.row]);
  useEffect(() => {
    const box = frame.current;
    if (!box) return;
    const watch = new ResizeObserver(() => setWidth(box.clientWidth));
    watch.observe(box);
    return () => watch.disconnect();
  }, [frame]);
  const tracks = useMemo(() => [MARK_COLUMN, ...COLUMNS[register].map((one) => one.width)].join(' '), [register]);
  return (
    <Frame
      ref={frame}
      role="grid"
      aria-label={REGISTER_WORDS[register]}
      aria-multiselectable="true"
      aria-rowcount={shape === 'grid' ? rows : total + 1}
      aria-colcount={across}
      onKeyDown={onKeyDown}
    >
      <Sized role="presentation" $least={shape === 'grid' ? '0' : '38rem'}>
        {shape === 'table' && <HeadRow register={register} tracks={tracks} order={props.order} onOrder={props.onOrder} />}
        <div role="presentation" style={{ display: 'flow-root', height: virtual.getTotalSize() }}>
          {items.map((item, nth) => (
            <div
              key={item.key}
              role="presentation"
              style={{ marginTop: item.start - (items[nth - 1]?.end ?? 0), height: item.size, overflow: 'hidden' }}
            >
              {shape === 'table' ? (
                <LineRow
                  {...{ register, tracks, height, chosen }}
                  index={item.index}
                  line={lines.get(item.index)}
                  here={item.index === at ? place.column : null}
                  onPress={(across) => {
                    setColumn(across);
                    props.onMove(item.index);
                    focusCell();
                  }}
                  onToggle={props.onToggle}
                />
              ) : (
                <CardRow
                  {...{ perRow, total, lines, at, chosen, height }}
                  row={item.index}
                  onPress={(index) => {
                    props.onMove(index);
                    focusCell();
                  }}
                  onOpen={props.onOpen}
                />
              )}
            </div>
          ))}
        </div>
      </Sized>
    </Frame>
  );
}

interface HeadProps {
  register: RegisterName;
  tracks: string;
  order: RegisterOrder;
  onOrder(order: RegisterOrder): void;
}

function HeadRow({ register, tracks, order, onOrder }: HeadProps) {
  const sorted = (column: Column): { 'aria-sort'?: 'ascending' | 'descending' } =>
    column.order === order ? { 'aria-sort': order === 'name' ? 'ascending' : 'descending' } : {};
  return (
    <Head role="row" aria-rowindex={1} style={{ gridTemplateColumns: tracks }}>
      <Cell role="columnheader">
        <span className="aside-from-view">Chosen</span>
      </Cell>
      {COLUMNS[register].map((column) => (
        <Cell key={column.name} role="columnheader" className={column.number ? 'number' : undefined} {...sorted(column)}>
          {column.order ? (
            <Sort
              data-on={column.order === order || undefined}
              onClick={() => onOrder(column.order!)}
              aria-label={`Sort by ${column.head}`}
            >
              {column.head}
            </Sort>
          ) : (
            column.head
          )}
        </Cell>
      ))}
    </Head>
  );
}

interface LineProps {
  register: RegisterName;
  tracks: string;
  height: number;
  index: number;
  line: ThingLine | undefined;
  chosen: { has(key: string): boolean };
  /** The column that can be tabbed to, in the row in hand. */
  here: number | null;
  onPress(column: number): void;
  onToggle(line: ThingLine): void;
}

function LineRow({ register, tracks, height, index, line, chosen, here, onPress, onToggle }: LineProps) {
  const on = line !== undefined && chosen.has(line.key);
  const cell = (column: number, className: string | undefined, content: ReactNode, press?: () => void) => (
    <Cell
      key={column}
      role="gridcell"
      aria-colindex={column + 1}
      tabIndex={here === column ? 0 : -1}
      data-cell={here === column ? 'here' : undefined}
      className={className}
      onClick={() => {
        onPress(column);
        press?.();
      }}
    >
      {content}
    </Cell>
  );
  return (
    <Row
      role="row"
      aria-rowindex={index + 2}
      aria-selected={on}
      data-hand={here === null ? undefined : true}
      style={{ gridTemplateColumns: tracks, height }}
    >
      {cell(
        0,
        undefined,
        <>
          <Mark aria-hidden="true" />
          <span className="aside-from-view">{on ? 'Chosen' : 'Not chosen'}</span>
        </>,
        () => line && onToggle(line),
      )}
      {COLUMNS[register].map((column, nth) =>
        cell(nth + 1, column.number ? 'number' : undefined, line ? column.cell(line) : nth === 0 ? '…' : ''),
      )}
    </Row>
  );
}

interface CardRowProps {
  row: number;
  perRow: number;
  total: number;
  height: number;
  lines: ReadonlyMap<number, ThingLine>;
  at: number;
  chosen: { has(key: string): boolean };
  onPress(index: number): void;
  onOpen(index: number): void;
}

function CardRow({ row, perRow, total, height, lines, at, chosen, onPress, onOpen }: CardRowProps) {
  const cards = Array.from({ length: Math.min(perRow, total - row * perRow) }, (_, nth) => row * perRow + nth);
  return (
    <Row role="row" aria-rowindex={row + 1} style={{ gridTemplateColumns: `repeat(${perRow}, minmax(0, 1fr))`, height }}>
      {cards.map((index, column) => {
        const line = lines.get(index);
        return (
          <Card
            key={index}
            role="gridcell"
            aria-colindex={column + 1}
            aria-selected={line !== undefined && chosen.has(line.key)}
            tabIndex={index === at ? 0 : -1}
            data-cell={index === at ? 'here' : undefined}
            data-hand={index === at || undefined}
            onClick={() => onPress(index)}
            onDoubleClick={() => onOpen(index)}
          >
            {line && <Thumbnail line={line} side={112} />}
            <span>{line ? line.name.replace(/^.*\//, '') : '…'}</span>
            <span>{line && saysWords(line)}</span>
          </Card>
        );
      })}
    </Row>
  );
}
