'use client';
import type { Family } from '@inkwell/core';
import type { Ledger, LedgerRow } from '@inkwell/review';
import { useVirtualizer } from '@tanstack/react-virtual';
import { Link } from '@/ui/Link';
import { useEffect, useMemo, useRef } from 'react';
import styled from 'styled-components';
import { Tick } from '@/ui/Field';
import { OpenHead, OpenMarks, openIn } from '@/ui/OpenMarks';
import { Small, Table, TableFrame } from '@/ui/Table';
import { ReleaseWord, VerdictWord } from '@/ui/Verdict';
import { counted, FAMILY_WORDS } from '@/ui/words';
import { rowsOf, type GridRow } from './rows';

const Count = styled(Link)`
  display: inline-grid;
  place-items: center;
  min-width: 1.75rem;
  min-height: 1.75rem;
  font-weight: 600;
`;
const PageLink = styled(Link)`
  display: inline-flex;
  align-items: center;
  min-height: 1.5rem;
  min-width: 8rem;
`;
/** The head and the pages' titles stay in sight however far it is scrolled. */
const Grid = styled(TableFrame)`
  max-height: max(24rem, calc(100vh - 9rem));
  overflow-y: auto;
  thead th {
    position: sticky;
    top: 0;
    z-index: 1;
    background: var(--sheet);
    box-shadow: 0 1px 0 var(--line);
  }
  tbody th,
  thead th:first-child {
    position: sticky;
    left: 0;
    background: var(--sheet);
  }
  thead th:first-child {
    z-index: 2;
  }
  th,
  td {
    padding: 0.25rem 0.6rem;
  }
  thead th {
    padding-block: 0.5rem;
  }
  @media (max-width: 40rem) {
    tbody th,
    thead th:first-child {
      position: static;
    }
  }
`;
const PageCell = styled.div`
  display: flex;
  gap: 0.6rem;
  align-items: baseline;
`;
/** The more of a family is open on a page, beside the page with the most of it, the deeper its cell. */
const Heat = styled.td<{ $share: number }>`
  background: ${({ $share }) => ($share > 0 ? `color-mix(in srgb, var(--gallWash) ${Math.round(25 + 75 * $share)}%, transparent)` : 'none')};
`;
const Stands = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 0.6rem;
`;
const Part = styled.tr`
  th {
    background: var(--paper);
    font: 600 1rem var(--serif);
  }
`;

export interface LedgerGridProps {
  ledger: Ledger;
  pages: readonly LedgerRow[];
  families: readonly Family[];
  chosen: ReadonlySet<string>;
  /** Whether all the choice comes to is chosen, shown or not. */
  all: boolean;
  onChoose(slug: string, on: boolean): void;
  onChooseAll(on: boolean): void;
  /** Called when the end of what is here comes in sight. */
  onEnd(): void;
}

/** A course and a book have their parts in their order; the folders of a site lie across the order of its links. */
const isNested = ({ choice: { order }, kind }: Ledger) => order === 'part' || (order === 'position' && kind !== 'site');

/** Rows from which on only those in sight are drawn. */
const MANY = 200;
/** A row's height before it was measured, in CSS pixels. */
const ROW = 52;

/** Pages by families, each count opening what it counts; in the collection's own order under the parts they lie in. */
export function LedgerGrid({ ledger, pages, families, chosen, all, onChoose, onChooseAll, onEnd }: LedgerGridProps) {
  const frame = useRef<HTMLDivElement>(null);
  const rows = rowsOf(pages, isNested(ledger) ? (ledger.narrowing?.parts ?? []) : []);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    overscan: 12,
    enabled: rows.length > MANY,
  });
  const drawn = rows.length > MANY ? virtual.getVirtualItems() : rows.map((_row, index) => ({ index, start: 0, end: 0 }));
  const [before, after] = rows.length > MANY ? [drawn[0]?.start ?? 0, virtual.getTotalSize() - (drawn.at(-1)?.end ?? 0)] : [0, 0];
  useEnd(frame, onEnd, rows.length);
  const columns = families.length + 3;
  const most = useMemo(() => mostOf(pages, families), [pages, families]);
  return (
    <Grid ref={frame} tabIndex={0} role="region" aria-label="Pages by family">
      <Table aria-rowcount={ledger.sums.pages + 1}>
        <caption>Pages and what stands open on them</caption>
        <thead>
          <tr>
            <th scope="col">
              <PageCell>
                <Tick label="" name={`All ${counted(ledger.sums.pages, 'page')}`} on={all} onChange={onChooseAll} />
                Page
              </PageCell>
            </th>
            <th scope="col">Verdict and release</th>
            <th scope="col">
              <OpenHead />
            </th>
            {families.map((family) => (
              <th key={family} scope="col" className="number">
                {FAMILY_WORDS[family]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <Room height={before} columns={columns} />
          {drawn.map(({ index }) => (
            <GridLine
              key={index}
              row={rows[index]!}
              index={index}
              measure={rows.length > MANY ? virtual.measureElement : undefined}
              {...{ ledger, families, chosen, onChoose, columns, most }}
            />
          ))}
          <Room height={after} columns={columns} />
        </tbody>
      </Table>
    </Grid>
  );
}

/** The most that is open on any page, in all and by family: what pictures of the others are measured by. */
interface Most {
  all: number;
  families: Partial<Record<Family, number>>;
}

function mostOf(pages: readonly LedgerRow[], families: readonly Family[]): Most {
  return {
    all: Math.max(1, ...pages.map(({ tally }) => openIn(tally))),
    families: Object.fromEntries(families.map((family) => [family, Math.max(1, ...pages.map((page) => page.families[family] ?? 0))])),
  };
}

/** The room of rows that are not drawn. */
function Room({ height, columns }: { height: number; columns: number }) {
  if (height <= 0) return null;
  return (
    <tr aria-hidden="true">
      <td colSpan={columns} style={{ height, padding: 0, border: 0 }} />
    </tr>
  );
}

/** Pixels before the end at which more is asked for. */
const NEAR = 1_200;

function useEnd(frame: React.RefObject<HTMLDivElement | null>, onEnd: () => void, rows: number): void {
  const latest = useRef(onEnd);
  useEffect(() => {
    latest.current = onEnd;
  });
  useEffect(() => {
    const box = frame.current;
    if (!box) return;
    const look = () => {
      if (box.scrollTop > 0 && box.scrollTop + box.clientHeight > box.scrollHeight - NEAR) latest.current();
    };
    box.addEventListener('scroll', look, { passive: true });
    return () => box.removeEventListener('scroll', look);
  }, [frame, rows]);
}

interface LineProps extends Pick<LedgerGridProps, 'ledger' | 'families' | 'chosen' | 'onChoose'> {
  row: GridRow;
  index: number;
  most: Most;
  columns: number;
  measure: ((row: HTMLTableRowElement | null) => void) | undefined;
}

function GridLine({ row, index, columns, most, measure, ledger, families, chosen, onChoose }: LineProps) {
  const placed = { ref: measure, 'data-index': index };
  if ('part' in row)
    return (
      <Part {...placed}>
        <th scope="rowgroup" colSpan={columns}>
          {row.part}
          {row.sum && <Small as="span">{` ${counted(row.sum.pages, 'page')}, ${row.sum.held} held, ${row.sum.open} open`}</Small>}
        </th>
      </Part>
    );
  const { page } = row;
  return (
    <PageRow
      placed={placed}
      collection={ledger.slug}
      page={page}
      most={most}
      families={families}
      chosen={chosen.has(page.slug)}
      onChoose={(on) => onChoose(page.slug, on)}
    />
  );
}

interface PageRowProps {
  placed: { ref: ((row: HTMLTableRowElement | null) => void) | undefined; 'data-index': number };
  collection: string;
  page: LedgerRow;
  most: Most;
  families: readonly Family[];
  chosen: boolean;
  onChoose(on: boolean): void;
}

function PageRow({ placed, collection, page, most, families, chosen, onChoose }: PageRowProps) {
  return (
    <tr {...placed}>
      <th scope="row">
        <PageCell>
          <Tick label="" name={`Choose ${page.title}`} on={chosen} onChange={onChoose} />
          <span>
            <PageLink href={`/collections/${collection}/${page.slug}`}>{page.title}</PageLink>
            <Small>{`${page.contentType}, revision ${page.revision}${page.hours > 0 ? `, ${page.hours.toLocaleString('en')}\u00a0h` : ''}`}</Small>
          </span>
        </PageCell>
      </th>
      <td>
        <Stands>
          <VerdictWord verdict={page.verdict} />
          {page.release === 'draft' ? <Small>Draft</Small> : <ReleaseWord release={page.release} />}
        </Stands>
      </td>
      <td>
        <OpenMarks tally={page.tally} most={most.all} />
      </td>
      {families.map((family) => (
        <Heat key={family} className="number" $share={(page.families[family] ?? 0) / (most.families[family] ?? 1)}>
          {countCell(collection, page, family)}
        </Heat>
      ))}
    </tr>
  );
}

function countCell(collection: string, page: LedgerRow, family: Family) {
  const many = page.families[family];
  if (!many) return <span className="aside-from-view">none</span>;
  return (
    <Count
      href={`/collections/${collection}/${page.slug}?family=${family}`}
      aria-label={`${many} open in ${FAMILY_WORDS[family]} on ${page.title}`}
    >
      {many}
    </Count>
  );
}
