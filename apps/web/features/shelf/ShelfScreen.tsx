'use client';
import { hoursFor } from '@inkwell/core';
import type { PageStanding, ShelfRow } from '@inkwell/review';
import Link from 'next/link';
import styled from 'styled-components';
import { Main } from '@/ui/Shell';
import { Table, TableFrame } from '@/ui/Table';
import { STANDING_WORDS } from '@/ui/Verdict';
import { counted, tallyWords } from '@/ui/words';

const ORDER: readonly PageStanding[] = ['held', 'judge', 'ready', 'signed off', 'lapsed'];
const KINDS = { course: 'Course', site: 'Site', book: 'Book' } as const;

const Title = styled.span`
  font: 600 1.125rem/1.3 var(--serif);
  a { display: inline-flex; align-items: center; min-height: 1.75rem; }
`;
const Small = styled.span`display: block; color: var(--quiet); font-size: 0.875rem; font-weight: 400; font-family: var(--sans);`;

/** All collections, each with how far it is. */
export function ShelfScreen({ rows }: { rows: readonly ShelfRow[] }) {
  return (
    <Main id="content">
      <h1>Shelf</h1>
      <p>Every collection, how far its pages are, and what is left to do.</p>
      {rows.length === 0 ? (
        <p>Nothing stands on the shelf yet. Seed the demo with <code>bin/demo --fresh</code>, then bring in pages of your own.</p>
      ) : (
        <TableFrame tabIndex={0} role="region" aria-label="Collections">
          <Table>
            <caption>{counted(rows.length, 'collection')}</caption>
            <thead>
              <tr><th scope="col">Collection</th><th scope="col" className="number">Pages</th><th scope="col">Where they stand</th><th scope="col">Open</th><th scope="col" className="number">Left</th></tr>
            </thead>
            <tbody>{rows.map((row) => <CollectionRow key={row.slug} row={row} />)}</tbody>
          </Table>
        </TableFrame>
      )}
    </Main>
  );
}

function CollectionRow({ row }: { row: ShelfRow }) {
  const { must, should, consider, judge } = row.tally;
  const standings = ORDER.filter((standing) => row.standings[standing]).map((standing) => `${row.standings[standing]} ${STANDING_WORDS[standing].toLowerCase()}`);
  return (
    <tr>
      <th scope="row">
        <Title><Link href={`/collections/${row.slug}`}>{row.title}</Link></Title>
        <Small>{KINDS[row.kind]}</Small>
      </th>
      <td className="number">{row.pages}</td>
      <td>{standings.join(' · ') || 'no pages yet'}</td>
      <td>{tallyWords(row.tally)}</td>
      <td className="number">{`about ${hoursFor(must + should + consider + judge).toLocaleString('en')} h`}</td>
    </tr>
  );
}
