'use client';
import type { Family } from '@inkwell/core';
import type { Ledger, LedgerChoice, LedgerRow, Progress } from '@inkwell/review';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button, ButtonLink } from '@/ui/Button';
import { Pick, SearchBox, Tick } from '@/ui/Field';
import { Main } from '@/ui/Shell';
import { Small, Table, TableFrame } from '@/ui/Table';
import { RELEASE_WORDS, ReleaseWord, VERDICT_WORDS, VerdictWord } from '@/ui/Verdict';
import { When } from '@/ui/When';
import { counted, FAMILIES, FAMILY_WORDS, tallyWords } from '@/ui/words';
import { WorkInProgress } from '@/ui/WorkInProgress';
import { ChosenPages } from './ChosenPages';
import { CollectionSheet } from './CollectionSheet';
import { DownloadSheet } from './DownloadSheet';
import { addressOf, ORDERS, RELEASES, VERDICTS } from './choice';

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 0.75rem;
  h1 {
    font-size: 1.75rem;
  }
  p {
    color: var(--quiet);
  }
`;
const Acts = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-left: auto;
`;
const Views = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1.25rem;
  margin-top: 0.5rem;
  a {
    display: inline-flex;
    align-items: center;
    min-height: 1.75rem;
  }
`;
const VIEWS = [
  { at: 'steps', name: 'Steps' },
  { at: 'repeated', name: 'One slip, many pages' },
  { at: 'attached', name: 'Attached files' },
];
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
    padding-inline: 0.6rem;
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
const Open = styled.td`
  min-width: 9rem;
`;
const Choose = styled.form`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.4rem 1rem;
  margin-top: 1rem;
`;
const More = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 0.75rem;
`;

/** One collection: which pages hold, and in which family, each count opening what it counts. A hundred pages at a time. */
export function LedgerScreen({ ledger, work }: { ledger: Ledger; work: readonly Progress[] }) {
  const { sums, choice } = ledger;
  const families = FAMILIES.filter((family) => sums.families[family]);
  const open = Object.values(sums.families).reduce((sum, many) => sum + many, 0);
  const { chosen, choose, chooseAll, clear } = useChosen(ledger.pages);
  return (
    <Main id="content">
      <Head>
        <div>
          <h1>{ledger.title}</h1>
          <p>{`${counted(sums.pages, 'page')}, ${counted(open, 'open finding')}, about ${sums.hours.toLocaleString('en')} h of work`}</p>
          {ledger.version && <VersionLine version={ledger.version} />}
        </div>
        <Acts>
          <CollectionSheet slug={ledger.slug} title={ledger.title} putAway={ledger.putAway} />
          <DownloadSheet slug={ledger.slug} />
          <ButtonLink $look="main" href={`/collections/${ledger.slug}/bring-in`}>
            Bring in a page
          </ButtonLink>
        </Acts>
      </Head>
      <Views aria-label="Other views of this collection">
        {VIEWS.map(({ at, name }) => (
          <Link key={at} href={`/collections/${ledger.slug}/${at}`}>
            {name}
          </Link>
        ))}
      </Views>
      <WorkInProgress work={work} />
      <Choice collection={ledger.slug} choice={choice} />
      {chosen.length > 0 && <ChosenPages collection={ledger.slug} chosen={chosen} onClear={clear} />}
      {ledger.pages.length === 0 ? (
        <p>{isNarrowed(choice) ? 'No page is left by this choice.' : 'No page is here yet. Bring one in: paste it, or choose its file.'}</p>
      ) : (
        <Grid tabIndex={0} role="region" aria-label="Pages by family">
          <Table>
            <caption>Pages and what stands open on them</caption>
            <thead>
              <tr>
                <th scope="col">
                  <PageCell>
                    <Tick label="" name="All pages shown" on={chosen.length === ledger.pages.length} onChange={chooseAll} />
                    Page
                  </PageCell>
                </th>
                <th scope="col">Verdict and release</th>
                <th scope="col">Open</th>
                {families.map((family) => (
                  <th key={family} scope="col" className="number">
                    {FAMILY_WORDS[family]}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {ledger.pages.map((page) => (
                <PageRow
                  key={page.slug}
                  collection={ledger.slug}
                  page={page}
                  families={families}
                  chosen={chosen.includes(page.slug)}
                  onChoose={(on) => choose(page.slug, on)}
                />
              ))}
            </tbody>
          </Table>
        </Grid>
      )}
      {(ledger.next || choice.after) && (
        <More aria-label="More pages">
          {choice.after && <ButtonLink href={addressOf(ledger.slug, { ...choice, after: undefined })}>First pages</ButtonLink>}
          {ledger.next && <ButtonLink href={addressOf(ledger.slug, { ...choice, after: ledger.next })}>Next pages</ButtonLink>}
        </More>
      )}
    </Main>
  );
}

/** The version it is at, and what was open before a newer one. */
function VersionLine({ version: { package: id, nth, name, by, at, openBefore } }: { version: NonNullable<Ledger['version']> }) {
  return (
    <p>
      {nth > 1 ? `Version ${nth}, ` : 'From '}
      <Link href={`/bring-in/${id}`}>{name}</Link>, brought in by {by} <When at={at} />
      {openBefore && `; before it ${tallyWords(openBefore)}`}
    </p>
  );
}

/** Pages chosen of those that are shown: what is shown no longer is chosen no longer. */
function useChosen(pages: readonly LedgerRow[]) {
  const [set, setSet] = useState<ReadonlySet<string>>(new Set());
  return {
    chosen: pages.flatMap(({ slug }) => (set.has(slug) ? [slug] : [])),
    choose: (slug: string, on: boolean) => setSet((now) => new Set(on ? [...now, slug] : [...now].filter((one) => one !== slug))),
    chooseAll: (on: boolean) => setSet(new Set(on ? pages.map(({ slug }) => slug) : [])),
    clear: () => setSet(new Set()),
  };
}

function isNarrowed({ verdict, release, family, words }: LedgerChoice): boolean {
  return [verdict, release, family, words].some((part) => part !== undefined);
}

const ALL = { value: '', label: 'All' };

/** The order of the pages and which of them are shown: each choice is an address. */
function Choice({ collection, choice }: { collection: string; choice: LedgerChoice }) {
  const router = useRouter();
  const [words, setWords] = useState(choice.words ?? '');
  useEffect(() => setWords(choice.words ?? ''), [choice.words]);
  const go = (part: Partial<LedgerChoice>) => router.push(addressOf(collection, { ...choice, after: undefined, ...part }));
  return (
    <Choose
      role="search"
      aria-label="Choose pages"
      onSubmit={(event) => {
        event.preventDefault();
        go({ words: words.trim() || undefined });
      }}
    >
      <Pick label="Order" value={choice.order} onChange={(order) => go({ order: order as LedgerChoice['order'] })} options={ORDERS} />
      <Pick
        label="Verdict"
        value={choice.verdict ?? ''}
        onChange={(verdict) => go({ verdict: (verdict || undefined) as LedgerChoice['verdict'] })}
        options={[ALL, ...VERDICTS.map((value) => ({ value, label: VERDICT_WORDS[value] }))]}
      />
      <Pick
        label="Release"
        value={choice.release ?? ''}
        onChange={(release) => go({ release: (release || undefined) as LedgerChoice['release'] })}
        options={[ALL, ...RELEASES.map((value) => ({ value, label: RELEASE_WORDS[value] || 'Draft' }))]}
      />
      <Pick
        label="With findings in"
        value={choice.family ?? ''}
        onChange={(family) => go({ family: (family || undefined) as Family | undefined })}
        options={[{ value: '', label: 'Any family' }, ...FAMILIES.map((value) => ({ value, label: FAMILY_WORDS[value] }))]}
      />
      <SearchBox label="Title holds" value={words} onChange={setWords} />
      <Button type="submit">Find</Button>
    </Choose>
  );
}

interface PageRowProps {
  collection: string;
  page: LedgerRow;
  families: readonly Family[];
  chosen: boolean;
  onChoose(on: boolean): void;
}

function PageRow({ collection, page, families, chosen, onChoose }: PageRowProps) {
  return (
    <tr>
      <th scope="row">
        <PageCell>
          <Tick label="" name={`Choose ${page.title}`} on={chosen} onChange={onChoose} />
          <span>
            <PageLink href={`/collections/${collection}/${page.slug}`}>{page.title}</PageLink>
            <Small>{`${page.contentType}, revision ${page.revision}`}</Small>
          </span>
        </PageCell>
      </th>
      <td>
        <VerdictWord verdict={page.verdict} />
        {page.release === 'draft' ? (
          <Small>Draft</Small>
        ) : (
          <div>
            <ReleaseWord release={page.release} />
          </div>
        )}
      </td>
      <Open>{tallyWords(page.tally)}</Open>
      {families.map((family) => (
        <td key={family} className="number">
          {countCell(collection, page, family)}
        </td>
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
