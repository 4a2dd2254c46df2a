'use client';
import { lookup } from '@inkwell/core';
import type { Desk } from '@inkwell/review';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { Link } from '@/ui/Link';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { isSigned, ReleaseWord, VerdictWord } from '@/ui/Verdict';
import { When } from '@/ui/When';
import { causeWord, tallyWords } from '@/ui/words';
import type { DeskActions, DeskState } from './useDesk';

const Line = styled.section`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.4rem 1.1rem;
  padding: 0.5rem 1.25rem;
  background: var(--paper);
  border-bottom: 1px solid var(--line);
  h1 {
    font-size: 1.3125rem;
  }
  /* A long title or sentence takes a second line of its own; the buttons keep their place. */
  @media (min-width: 60rem) {
    flex-wrap: nowrap;
    > * {
      min-width: 0;
    }
    > div,
    > nav {
      flex: none;
    }
    > h1 {
      flex: none;
      max-width: 45%;
    }
    > p {
      white-space: nowrap;
    }
    /* What was done last gives way first; the sentence of the standing keeps to its line. */
    > h1 + p {
      flex: 1 1 6rem;
      overflow: hidden;
      text-overflow: ellipsis;
    }
  }
`;
const Quiet = styled.p`
  color: var(--quiet);
  font-size: 0.875rem;
`;
const Stand = styled.p`
  display: flex;
  flex-wrap: wrap;
  justify-content: end;
  align-items: baseline;
  gap: 0 0.6rem;
  margin-left: auto;
  @media (min-width: 90rem) {
    flex-wrap: nowrap;
  }
  text-align: right;
`;
const Beside = styled.nav`
  display: flex;
  gap: 0.25rem;
  a {
    display: grid;
    place-items: center;
    width: 1.75rem;
    height: 1.75rem;
    border: 1px solid var(--edge);
    border-radius: var(--round);
    background: var(--sheet);
    color: var(--ink);
  }
  a:hover {
    background: var(--gallWash);
  }
`;
const Acts = styled.div`
  display: flex;
  gap: 0.5rem;
`;

export interface Permissions {
  change: boolean;
  rule: boolean;
  letStand: boolean;
  signOff: boolean;
  handOut: boolean;
  /** To bring pages in is to take them out. */
  bringIn: boolean;
}

interface StandingLineProps {
  state: DeskState;
  actions: DeskActions;
  can: Permissions;
  query: string;
  /** Somebody wants to change what the page is, or where it stands. */
  onPage(): void;
}

/** The page's name, its revision, its verdict and what holds it, and the ways back and on. */
export function StandingLine({ state, actions, can, query, onPage }: StandingLineProps) {
  const { desk, busy } = state;
  const { revision } = desk;
  const type = `${desk.contentType[0]!.toUpperCase()}${desk.contentType.slice(1)}`;
  const last = `${type} · revision ${revision.number}, ${causeWord(revision.cause)} by ${revision.by} `;
  const signable = desk.verdict === 'ready' && !isSigned(desk.release);
  return (
    <Line aria-label="Standing of the page">
      <Beside aria-label="Pages beside this one">
        <Step page={desk.beside.before} way="before" desk={desk} query={query} />
        <Step page={desk.beside.after} way="after" desk={desk} query={query} />
      </Beside>
      <h1>{desk.title}</h1>
      <Quiet title={last.trim()}>
        {last}
        <When at={revision.at} />
      </Quiet>
      <Stand>
        <VerdictWord verdict={desk.verdict} />
        <ReleaseWord release={desk.release} />
        <span>{standingWords(state)}</span>
      </Stand>
      <Acts>
        {(can.change || can.bringIn) && <Button onPress={onPage}>This page…</Button>}
        <Button onPress={() => void actions.undo()} isDisabled={!desk.canUndo || !can.change}>
          Undo
        </Button>
        <Button onPress={() => void actions.redo()} isDisabled={!desk.canRedo || !can.change}>
          Redo
        </Button>
        <Button
          $look={signable ? 'main' : 'plain'}
          data-act="sign-off"
          onPress={() => void actions.signOff()}
          isDisabled={busy || !can.signOff || !signable}
        >
          Sign off
        </Button>
      </Acts>
    </Line>
  );
}

/** The page before or after in the collection, with the same face, view and filter. */
function Step({ page, way, desk, query }: { page: Desk['beside']['before']; way: 'before' | 'after'; desk: Desk; query: string }) {
  if (!page) return null;
  const Icon = way === 'before' ? ChevronLeft : ChevronRight;
  const name = `${way === 'before' ? 'Page before' : 'Page after'}: ${page.title}`;
  return (
    <Link href={addressBeside(desk, page.slug, query)} aria-label={name} title={name}>
      <Icon size={18} aria-hidden="true" />
    </Link>
  );
}

/** Where another page of the collection is looked at in the same way. */
export function addressBeside(desk: Desk, slug: string, query: string): string {
  return `/collections/${encodeURIComponent(desk.collection.slug)}/${encodeURIComponent(slug)}${query}`;
}

const BECAUSE: Record<string, string> = {
  text: 'with the text',
  decision: 'with a decision',
  exception: 'as an exception ran out',
  standard: 'under a new standard',
  audit: 'as a new audit finds more',
  file: 'as it shows another file',
};

function standingWords({ desk }: DeskState): string {
  const { signOff, release, tally, elsewhere } = desk;
  const open = `${tallyWords(tally)}${elsewhere > 0 ? `, ${elsewhere} for the theme or host` : ''}`;
  // Whoever signed knew what was left open: it is said only when there is some.
  const left = Object.values(tally).some((many) => many > 0) ? `; ${open}` : '';
  if (isSigned(release) && signOff) return `revision ${signOff.revision} by ${signOff.by}${left}`;
  if (signOff?.lapsed)
    return `${open}; ${signOff.by}’s sign-off of revision ${signOff.revision} lapsed ${lookup(BECAUSE, signOff.lapsed.because) ?? ''}`.trimEnd();
  return open;
}
