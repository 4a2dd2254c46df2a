'use client';
import { Link } from './Link';
import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { Drop } from './Drop';
import { listenAsSomebodyElse } from './live/live';
import { NoticesLink } from './live/NoticesLink';

const Bar = styled.header`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 0.9rem;
  min-height: 2.875rem;
  padding: 0.3rem 1.25rem;
  background: var(--bar);
  color: var(--barInk);
  a {
    color: inherit;
  }
  :focus-visible {
    outline-color: var(--barInk);
  }
`;
const Mark = styled(Link)`
  display: flex;
  align-items: center;
  gap: 0.5rem;
  font: 600 1.1875rem/1 var(--serif);
  text-decoration: none;
  min-height: 1.75rem;
`;
const Crumbs = styled.nav`
  font-size: 0.875rem;
  color: var(--barQuiet);
  ol {
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.5rem;
  }
  li {
    display: flex;
    align-items: center;
    min-height: 1.5rem;
  }
  li + li::before {
    content: '/';
    margin-right: 0.5rem;
  }
  [aria-current] {
    color: var(--barInk);
    font-weight: 600;
  }
`;
const Own = styled.nav`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 1rem;
  margin-left: auto;
  font-size: 0.875rem;
  > a {
    display: inline-flex;
    align-items: center;
    min-height: 1.75rem;
  }
`;
const Who = styled.label`
  display: flex;
  align-items: center;
  gap: 0.5rem;
  color: var(--barQuiet);
  select {
    background: var(--bar);
    color: var(--barInk);
    border: 1px solid var(--barEdge);
    border-radius: var(--round);
    padding: 0.2rem 0.4rem;
    min-height: 1.75rem;
    max-width: 16rem;
  }
`;
const Skip = styled.a`
  position: absolute;
  left: 0.5rem;
  top: -4rem;
  z-index: 10;
  background: var(--sheet);
  color: var(--ink);
  padding: 0.5rem 0.75rem;
  border: 2px solid var(--gall);
  &:focus {
    top: 0.5rem;
  }
`;
export const Main = styled.main`
  max-width: 76rem;
  margin: 0 auto;
  padding: 1.5rem 1.25rem 3rem;
  > h1 {
    font-size: 1.75rem;
  }
  > h1 + p {
    color: var(--quiet);
    margin-top: 0.25rem;
    max-width: 60ch;
  }
  > h2 {
    margin-top: 1.5rem;
  }
`;

export interface Crumb {
  label: string;
  href?: string;
}

export interface ShellProps {
  crumbs: readonly Crumb[];
  people: readonly { id: string; name: string; role: string }[];
  actor: { id: string; name?: string; isDemo?: boolean; memberships?: readonly { collection: number | null; role: string }[] };
  children: ReactNode;
}

/** The bar that every screen has: where one is, and who is signed in; in the demo, who is at the desk. */
export function Shell({ crumbs, people, actor, children }: ShellProps) {
  const router = useRouter();
  const choose = async (person: string) => {
    await fetch('/api/person', { method: 'POST', body: JSON.stringify({ person }) });
    listenAsSomebodyElse();
    router.refresh();
  };
  return (
    <>
      <Skip href="#content">To the content</Skip>
      <Bar>
        <Mark href="/">
          <Drop weight="must" size={18} colour="var(--barInk)" />
          Inkwell Check
        </Mark>
        <Crumbs aria-label="Where you are">
          <ol>
            {crumbs.map((crumb) => (
              <li key={crumb.label}>
                {crumb.href ? <Link href={crumb.href}>{crumb.label}</Link> : <span aria-current="page">{crumb.label}</span>}
              </li>
            ))}
          </ol>
        </Crumbs>
        <Own aria-label="You and the house">
          {actor.memberships?.some(({ collection, role }) => collection === null && role === 'administrator') && (
            <Link href="/people">People</Link>
          )}
          {actor.memberships?.some(({ collection }) => collection === null) && <Link href="/standard">Standard</Link>}
          {actor.memberships?.some(({ role }) => role !== 'author' && role !== 'publisher') && <Link href="/questions">Questions</Link>}
          {actor.memberships?.some(({ role }) => role !== 'author' && role !== 'specialist') && <Link href="/gate">Gate</Link>}
          {actor.name && <Link href="/search">Search</Link>}
          {actor.name && <Link href="/docket">Docket</Link>}
          {actor.name && <NoticesLink key={actor.id} />}
          {actor.name && <Link href="/you">{actor.isDemo ? 'You' : actor.name}</Link>}
          {actor.isDemo && (
            <Who>
              <span>At the desk</span>
              <select value={actor.id} onChange={(event) => void choose(event.target.value)}>
                {people.map((person) => (
                  <option key={person.id} value={person.id}>{`${person.name}, ${person.role}`}</option>
                ))}
              </select>
            </Who>
          )}
        </Own>
      </Bar>
      {children}
    </>
  );
}
