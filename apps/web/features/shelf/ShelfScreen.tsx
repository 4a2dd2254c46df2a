'use client';
import type { Verdict } from '@inkwell/core';
import type { Progress, ShelfRow, TakenOut } from '@inkwell/review';
import dynamic from 'next/dynamic';
import { Link } from '@/ui/Link';
import styled from 'styled-components';
import { LiveScreen } from '@/ui/live/LiveScreen';
import { ButtonLink } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { Main } from '@/ui/Shell';
import { Apart } from './Apart';
import { ShelfChoice, useChoice } from './choice';
import { Way } from './Way';
import { OpenHead, OpenMarks, openIn } from '@/ui/OpenMarks';
import { Small, Table, TableFrame } from '@/ui/Table';
import { VERDICT_WORDS } from '@/ui/Verdict';
import { When } from '@/ui/When';
import { counted } from '@/ui/words';
import { WorkInProgress } from '@/ui/WorkInProgress';

/** Drawn in the browser only: its table says the same without it. */
const OpenChart = dynamic(() => import('./OpenChart').then(({ OpenChart: chart }) => chart), { ssr: false });

const ORDER: readonly Verdict[] = ['held', 'judge', 'ready'];
const KINDS = { course: 'Course', site: 'Site', book: 'Book' } as const;

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 0.75rem;
  > a {
    margin-left: auto;
  }
`;
const Lines = styled(TableFrame)`
  th,
  td {
    padding: 0.3rem 0.75rem;
  }
`;
const Title = styled.span`
  font: 600 1.0625rem/1.3 var(--serif);
  a {
    display: inline-flex;
    align-items: center;
    min-height: 1.75rem;
  }
`;
const Count = styled(Link)`
  display: inline-flex;
  align-items: center;
  min-height: 1.5rem;
  margin-right: 0.75rem;
  white-space: nowrap;
`;
const Verdicts = styled.td`
  white-space: nowrap;
`;
/** One line: a long title ends in dots, and is whole on hover. */
const Last = styled.td`
  ${Small} {
    max-width: 13rem;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
`;

export interface ShelfProps {
  rows: readonly ShelfRow[];
  takenOut: readonly TakenOut[];
  work: readonly Progress[];
  mayCancel: boolean;
}

/** All collections, each with how far it is. */
export function ShelfScreen({ rows: all, takenOut, work, mayCancel }: ShelfProps) {
  const standing = all.filter(({ putAway }) => !putAway);
  const { choice, change, rows } = useChoice(standing);
  const most = Math.max(1, ...standing.map(({ tally }) => openIn(tally)));
  return (
    <Main id="content">
      <LiveScreen />
      <Head>
        <div>
          <h1>Shelf</h1>
          <p>Every collection, how far its pages are, and what is left to do.</p>
        </div>
        <Row>
          {standing.length > 0 && <ButtonLink href="/registers/images">Registers of all collections</ButtonLink>}
          <ButtonLink $look="main" href="/bring-in">
            Bring in a collection
          </ButtonLink>
        </Row>
      </Head>
      <WorkInProgress work={work} mayCancel={mayCancel} />
      {standing.length > 1 && <ShelfChoice choice={choice} onChange={change} />}
      {standing.length === 0 ? (
        <p>
          Nothing stands on the shelf. <Link href="/bring-in">Bring in a collection</Link>: a site, a course or a book.
        </p>
      ) : rows.length === 0 ? (
        <p>No collection is left by this choice.</p>
      ) : (
        <Lines tabIndex={0} role="region" aria-label="Collections">
          <Table>
            <caption>{counted(rows.length, 'collection')}</caption>
            <thead>
              <tr>
                <th scope="col">Collection</th>
                <th scope="col" className="number">
                  Pages
                </th>
                <th scope="col">Verdict</th>
                <th scope="col">Release</th>
                <th scope="col">
                  <OpenHead />
                </th>
                <th scope="col" className="number">
                  Left
                </th>
                <th scope="col">Changed last</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <CollectionRow key={row.slug} row={row} most={most} />
              ))}
            </tbody>
          </Table>
        </Lines>
      )}
      {rows.length > 1 && <OpenChart rows={rows} />}
      <Apart putAway={all.filter(({ putAway }) => putAway)} takenOut={takenOut} />
    </Main>
  );
}

function CollectionRow({ row, most }: { row: ShelfRow; most: number }) {
  const verdicts = ORDER.filter((verdict) => row.verdicts[verdict] > 0);
  /** Pages of one state, with where they are: listeners hear the link on its own. */
  const count = (many: number, word: string, query: string) => {
    const shown = `${many.toLocaleString('en')} ${word}`;
    return (
      <Count key={query} href={`/collections/${row.slug}?${query}`} aria-label={`${shown} in ${row.title}`}>
        {shown}
      </Count>
    );
  };
  return (
    <tr>
      <th scope="row">
        <Title>
          <Link href={`/collections/${row.slug}`}>{row.title}</Link>
        </Title>
        <Small>{KINDS[row.kind]}</Small>
      </th>
      <td className="number">{row.pages.toLocaleString('en')}</td>
      <Verdicts>
        <Way row={row} />
        {verdicts.length === 0
          ? 'no pages yet'
          : verdicts.map((verdict) => count(row.verdicts[verdict], VERDICT_WORDS[verdict].toLowerCase(), `verdict=${verdict}`))}
      </Verdicts>
      <td>
        {row.signedOff > 0 && count(row.signedOff, 'signed off', 'release=signed+off')}
        {row.published > 0 && count(row.published, 'published', 'release=published')}
        {row.lapsed > 0 && count(row.lapsed, 'lapsed', 'release=lapsed')}
        {row.signedOff + row.published + row.lapsed === 0 && 'none yet'}
      </td>
      <td>
        <OpenMarks tally={row.tally} most={most} />
      </td>
      <td className="number whole">{`about ${row.hours.toLocaleString('en')} h`}</td>
      <Last>
        {row.last && (
          <>
            <When at={row.last.at} />
            <Small title={row.last.page}>{`${row.last.page}, ${row.last.by}`}</Small>
          </>
        )}
      </Last>
    </tr>
  );
}
