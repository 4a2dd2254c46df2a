'use client';
import type { Arrangement, TableView } from '@inkwell/core';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice, TextBox } from '@/ui/Field';
import { counted } from '@/ui/words';
import { pageTextOf } from '../engine/pageText';
import { useAnswer, type Engine } from '../engine/useEngine';
import type { DeskActions, DeskState } from '../useDesk';
import { CellGrid } from './CellGrid';
import { useKept, type Kept } from './kept';

const Section = styled.section`
  padding: 0.9rem 1.25rem 1.1rem;
  border-bottom: 1px solid var(--line);
  display: grid;
  gap: 0.65rem;
  h3 {
    font-size: 1.0625rem;
  }
  > p {
    font-size: 0.875rem;
    color: var(--quiet);
  }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
`;
const None = styled.p`
  padding: 1rem 1.25rem;
`;
const Reading = styled.ol`
  padding: 0.5rem 0.75rem;
  border: 1px dashed var(--edge);
  font: 400 0.9375rem/1.5 var(--serif);
  max-height: 16rem;
  overflow: auto;
  counter-reset: line;
  li {
    counter-increment: line;
  }
  li::before {
    content: counter(line) ' ';
    color: var(--quiet);
    font: 0.8125rem var(--sans);
  }
`;

const HEADERS = [
  { value: 'row', label: 'first row' },
  { value: 'column', label: 'first column' },
  { value: 'both', label: 'both' },
  { value: 'none', label: 'none' },
];
const ORDERS = [
  { value: 'rows', label: 'row by row' },
  { value: 'columns', label: 'column by column' },
];
const USES = { data: 'a table of data', layout: 'used for layout', unsure: 'of data or for layout: hard to tell' };

interface TablesProps {
  state: DeskState;
  actions: DeskActions;
  engine: Engine;
  mayChange: boolean;
  kept: Kept;
}

export function Tables({ tables, ...rest }: TablesProps & { tables: readonly TableView[] }) {
  if (tables.length === 0) return <None>This page has no tables.</None>;
  return (
    <>
      {tables.map((table, i) => (
        <OneTable key={table.path} table={table} number={i + 1} {...rest} />
      ))}
    </>
  );
}

/** One table as it is told: each cell with the headers read before it, as it is now or as it would be. */
function OneTable({ table, number, state, actions, engine, mayChange, kept }: TablesProps & { table: TableView; number: number }) {
  const [layout, setLayout] = useKept(kept, `layout ${table.path}`, false);
  const title = table.caption || `Table ${number}`;
  const use = USES[table.use];
  const each = { table, title, state, actions, engine, mayChange, kept };
  return (
    <Section aria-label={`Table ${number}`}>
      <h3>{title}</h3>
      <p>{`${use[0]!.toUpperCase()}${use.slice(1)}; ${counted(table.rows, 'row')}, ${counted(table.columns, 'column')}.`}</p>
      {layout ? <Flattening {...each} /> : <Heading {...each} />}
      <Row>
        <Button onPress={() => setLayout(!layout)}>{layout ? 'Keep the table' : 'It is only layout…'}</Button>
        <Button $look="quiet" onPress={() => actions.point(table.path)} aria-label={`Show on the proof: ${title}`}>
          On the proof
        </Button>
      </Row>
    </Section>
  );
}

interface OneProps extends TablesProps {
  table: TableView;
  title: string;
}

/** What would come of a change of structure; nothing is asked while nothing is wanted. */
function useArranged({ state, engine }: OneProps, wish: Arrangement | null) {
  const question = useMemo(
    () => (wish ? { kind: 'arranged' as const, page: pageTextOf(state.desk), arrangement: wish } : null),
    [state.desk, wish],
  );
  return useAnswer<'arranged'>(engine, question);
}

/** What a person wants of a table's headers, while it differs from what there is. */
function useWish({ table, kept }: OneProps) {
  const [headers, setHeaders] = useKept(kept, `headers ${table.path}`, table.headers);
  const [depth, setDepth] = useKept(kept, `depth ${table.path}`, table.depth);
  const [caption, setCaption] = useKept(kept, `caption ${table.path}`, table.caption);
  const [fills, setFills] = useKept<Readonly<Record<string, string>>>(kept, `fills ${table.path}`, {});
  const wish = useMemo(() => {
    const filled = Object.entries(fills).flatMap(([path, text]) => (text.trim() ? [{ path, text }] : []));
    const deep = depth.rows !== table.depth.rows || depth.columns !== table.depth.columns;
    const differs = headers !== table.headers || caption.trim() !== table.caption || deep || filled.length > 0;
    return differs ? { kind: 'table' as const, path: table.path, headers, caption, depth, fills: filled } : null;
  }, [table, headers, caption, depth, fills]);
  return { headers, setHeaders, depth, setDepth, caption, setCaption, fills, setFills, wish };
}

/** Rows or columns of headers that a table with merged cells may have. */
const DEPTHS = ['1', '2', '3'].map((value) => ({ value, label: value }));

/** Which cells head the others, their words, and the caption; the grid shows what is then read with each cell. */
function Heading(props: OneProps) {
  const { table, title, state, actions, mayChange } = props;
  const { headers, setHeaders, depth, setDepth, caption, setCaption, fills, setFills, wish } = useWish(props);
  const would = useArranged(props, wish);
  const shown = would?.ok ? would.table : null;
  const several = table.merged || table.depth.rows > 1 || table.depth.columns > 1;
  return (
    <>
      <Choice label="Headers" value={headers} onChange={(next) => setHeaders(next as TableView['headers'])} options={HEADERS} />
      {several && (
        <Row>
          {(headers === 'row' || headers === 'both') && (
            <Choice
              label="Rows of headers"
              value={String(depth.rows)}
              onChange={(rows) => setDepth({ ...depth, rows: Number(rows) })}
              options={DEPTHS.slice(0, Math.max(1, table.rows - 1))}
            />
          )}
          {(headers === 'column' || headers === 'both') && (
            <Choice
              label="Columns of headers"
              value={String(depth.columns)}
              onChange={(columns) => setDepth({ ...depth, columns: Number(columns) })}
              options={DEPTHS.slice(0, Math.max(1, table.columns - 1))}
            />
          )}
        </Row>
      )}
      <TextBox label="Caption" value={caption} onChange={setCaption} hint="Says what the table holds; empty takes the caption away." />
      {would && !would.ok && <p role="status">{would.reason}</p>}
      <CellGrid
        table={shown ?? table}
        before={table}
        label={shown ? `${title}, as it would be told` : `${title}, as it is told`}
        fills={fills}
        onFill={mayChange ? (path, text) => setFills({ ...fills, [path]: text }) : null}
      />
      <Row>
        <Button $look="main" isDisabled={!mayChange || state.busy || !would?.ok} onPress={() => wish && void actions.arrange(wish)}>
          Apply
        </Button>
      </Row>
    </>
  );
}

/** A table that only places things, taken away: its contents in the order in which they are then read. */
function Flattening(props: OneProps) {
  const { table, state, actions, mayChange } = props;
  const [order, setOrder] = useState<'rows' | 'columns'>('rows');
  const wish = useMemo(() => ({ kind: 'flatten' as const, path: table.path, order }), [table.path, order]);
  const would = useArranged(props, wish);
  return (
    <>
      <Choice label="Read" value={order} onChange={(next) => setOrder(next as 'rows' | 'columns')} options={ORDERS} />
      {would && !would.ok && <p role="status">{would.reason}</p>}
      {would?.ok && (
        <Reading aria-label="Read in this order">
          {would.lines.map((line, i) => (
            <li key={i}>{line.says}</li>
          ))}
        </Reading>
      )}
      <Row>
        <Button $look="main" isDisabled={!mayChange || state.busy || !would?.ok} onPress={() => void actions.arrange(wish)}>
          Take the table away
        </Button>
      </Row>
    </>
  );
}
