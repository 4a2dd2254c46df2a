'use client';
import { hoursFor } from '@inkwell/core';
import type { Ledger, LedgerRow } from '@inkwell/review';
import Link from 'next/link';
import styled from 'styled-components';
import { ButtonLink } from '@/ui/Button';
import { Main } from '@/ui/Shell';
import { Table, TableFrame } from '@/ui/Table';
import { VerdictWord } from '@/ui/Verdict';
import { counted, FAMILIES, FAMILY_WORDS, tallyWords } from '@/ui/words';

const Head = styled.div`
  display: flex; flex-wrap: wrap; align-items: end; gap: 0.75rem;
  h1 { font-size: 1.75rem; } p { color: var(--quiet); } > a { margin-left: auto; }
`;
const Small = styled.span`display: block; color: var(--quiet); font-size: 0.8125rem; font-weight: 400;`;
const Count = styled(Link)`display: inline-grid; place-items: center; min-width: 1.75rem; min-height: 1.75rem; font-weight: 600;`;
const PageLink = styled(Link)`display: inline-flex; align-items: center; min-height: 1.5rem;`;

/** One collection: which pages hold, and in which family, each count opening what it counts. */
export function LedgerScreen({ ledger }: { ledger: Ledger }) {
  const open = ledger.pages.reduce((sum, page) => sum + totalOf(page), 0);
  const families = FAMILIES.filter((family) => ledger.pages.some((page) => page.families[family]));
  return (
    <Main id="content">
      <Head>
        <div>
          <h1>{ledger.title}</h1>
          <p>{`${counted(ledger.pages.length, 'page')}, ${counted(open, 'open note')}, about ${hoursFor(open).toLocaleString('en')} h of work`}</p>
        </div>
        <ButtonLink $look="main" href={`/collections/${ledger.slug}/bring-in`}>Bring in a page</ButtonLink>
      </Head>
      {ledger.pages.length === 0 ? <p>No page is here yet. Bring one in: paste it, or choose its file.</p> : (
        <TableFrame tabIndex={0} role="region" aria-label="Pages by family">
          <Table>
            <caption>Pages and what stands open on them</caption>
            <thead>
              <tr>
                <th scope="col">Page</th><th scope="col">Stands</th>
                {families.map((family) => <th key={family} scope="col" className="number">{FAMILY_WORDS[family]}</th>)}
                <th scope="col">Open</th>
              </tr>
            </thead>
            <tbody>
              {ledger.pages.map((page) => (
                <tr key={page.slug}>
                  <th scope="row">
                    <PageLink href={`/collections/${ledger.slug}/${page.slug}`}>{page.title}</PageLink>
                    <Small>{`${page.contentType}, revision ${page.revision}`}</Small>
                  </th>
                  <td><VerdictWord standing={page.standing} /></td>
                  {families.map((family) => <td key={family} className="number">{countCell(ledger.slug, page, family)}</td>)}
                  <td>{tallyWords(page.tally)}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        </TableFrame>
      )}
    </Main>
  );
}

function totalOf(page: LedgerRow): number {
  return Object.values(page.families).reduce((sum, many) => sum + many, 0);
}

function countCell(collection: string, page: LedgerRow, family: (typeof FAMILIES)[number]) {
  const many = page.families[family];
  if (!many) return <span className="aside-from-view">none</span>;
  return <Count href={`/collections/${collection}/${page.slug}?family=${family}`} aria-label={`${many} open in ${FAMILY_WORDS[family]} on ${page.title}`}>{many}</Count>;
}
