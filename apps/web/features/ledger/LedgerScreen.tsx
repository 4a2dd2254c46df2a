'use client';
import type { Ledger, LedgerChoice, LedgerRow, Progress } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { LiveScreen } from '@/ui/live/LiveScreen';
import { Button, ButtonLink } from '@/ui/Button';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { Main } from '@/ui/Shell';
import { When } from '@/ui/When';
import { costBasis, costWords, counted, FAMILIES, tallyWords } from '@/ui/words';
import { WorkInProgress } from '@/ui/WorkInProgress';
import { ChosenPages } from './ChosenPages';
import { queryOf } from './choice';
import { CollectionSheet } from './CollectionSheet';
import { DownloadSheet } from './DownloadSheet';
import { LedgerGrid } from './LedgerGrid';
import { Narrow } from './Narrow';
import { TakenOutSheet } from './TakenOutSheet';
import { useLedgerPages } from './useLedgerPages';

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
  { at: 'registers/images', name: 'Registers' },
  { at: 'steps', name: 'Steps' },
  { at: 'repeated', name: 'One slip, many pages' },
  { at: 'spread', name: 'Spread' },
  { at: 'attached', name: 'Attached files' },
  { at: 'trend', name: 'Trend' },
  { at: 'report', name: 'Report' },
];
const More = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 0.75rem;
`;

/** One collection: which pages hold, and in which family, each count opening what it counts. */
export function LedgerScreen({ ledger, work }: { ledger: Ledger; work: readonly Progress[] }) {
  const { sums, choice } = ledger;
  const families = FAMILIES.filter((family) => sums.families[family]);
  const open = Object.values(sums.families).reduce((sum, many) => sum + many, 0);
  const { pages, next, more, problem } = useLedgerPages(ledger);
  const { chosen, all, choose, chooseAll } = useChosen(pages, choice);
  return (
    <Main id="content">
      {pages.length <= ledger.pages.length && <LiveScreen collection={ledger.id} />}
      <Head>
        <div>
          <h1>{ledger.title}</h1>
          <p>{`${counted(sums.pages, 'page')}, ${counted(open, 'open finding')}, ${costWords(sums.cost)}`}</p>
          {open > 0 && <p>{costBasis(sums.cost)}</p>}
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
        <Link href={`/gate?collection=${encodeURIComponent(ledger.slug)}`}>Gate</Link>
        <TakenOutSheet collection={ledger.slug} />
      </Views>
      <WorkInProgress work={work} />
      <Narrow collection={ledger.slug} choice={choice} narrowing={ledger.narrowing} />
      {chosen.length > 0 && (
        <ChosenPages
          collection={ledger.slug}
          chosen={chosen}
          whole={all ? { pages: sums.pages, choice } : null}
          onClear={() => chooseAll(false)}
        />
      )}
      {pages.length === 0 ? (
        <p>{isNarrowed(choice) ? 'No page is left by this choice.' : 'No page is here yet. Bring one in: paste it, or choose its file.'}</p>
      ) : (
        <LedgerGrid
          ledger={ledger}
          pages={pages}
          families={families}
          chosen={new Set(chosen)}
          all={all || chosen.length === sums.pages}
          onChoose={choose}
          onChooseAll={chooseAll}
          onEnd={() => void more()}
        />
      )}
      {problem && <ProblemNotice problem={problem} />}
      <More>
        {next !== null && <Button onPress={() => void more()}>Show more pages</Button>}
        {sums.pages > pages.length && <span role="status">{`${pages.length} of ${counted(sums.pages, 'page')} shown`}</span>}
      </More>
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

/** Pages chosen one by one of those that are here, or all of the choice, those further on among them. */
function useChosen(pages: readonly LedgerRow[], choice: LedgerChoice) {
  const [set, setSet] = useState<ReadonlySet<string>>(new Set());
  const [all, setAll] = useState(false);
  const wished = queryOf(choice);
  // Another choice is chosen from anew.
  useEffect(() => {
    setAll(false);
    setSet(new Set());
  }, [wished]);
  const here = pages.map(({ slug }) => slug);
  const chosen = all ? here : here.filter((slug) => set.has(slug));
  return {
    chosen,
    all,
    choose: (slug: string, on: boolean) => {
      setAll(false);
      setSet(new Set(on ? [...chosen, slug] : chosen.filter((one) => one !== slug)));
    },
    chooseAll: (on: boolean) => {
      setAll(on);
      setSet(new Set());
    },
  };
}

function isNarrowed({ order: _order, after: _after, ...parts }: LedgerChoice): boolean {
  return Object.values(parts).some((part) => part !== undefined);
}
