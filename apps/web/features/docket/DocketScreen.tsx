'use client';
import type { DocketShown, DocketState, Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { LiveScreen } from '@/ui/live/LiveScreen';
import { Button } from '@/ui/Button';
import { Choice, Pick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Main } from '@/ui/Shell';
import { Day } from '@/ui/When';
import { counted } from '@/ui/words';

const Page = styled(Main)`
  display: grid;
  gap: 0.75rem;
  align-content: start;
  max-width: 60rem;
`;
const Pages = styled.ol`
  display: grid;
  gap: 0.9rem;
  > li {
    background: var(--sheet);
    border: 1px solid var(--line);
    padding: 0.7rem 1rem 0.8rem;
  }
  h2 {
    font-size: 1.125rem;
    overflow-wrap: anywhere;
  }
`;
const About = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 0.1rem 0.9rem;
  font-size: 0.875rem;
  color: var(--quiet);
  b {
    color: var(--rubric);
  }
`;
const Things = styled.ul`
  margin-top: 0.4rem;
  > li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.1rem 0.75rem;
    padding: 0.25rem 0;
    border-top: 1px solid var(--line);
  }
  a {
    display: inline-flex;
    align-items: center;
    min-height: 1.75rem;
    overflow-wrap: anywhere;
  }
  small {
    font-size: 0.8125rem;
    color: var(--quiet);
  }
`;

const NOTHING: Record<DocketState, string> = {
  'to do': 'Nothing waits to be seen to.',
  returned: 'Nothing came back.',
  done: 'Nothing was done yet.',
};

interface DocketProps {
  shown: DocketShown;
  people: readonly { id: string; name: string; role: string }[];
}

/** What somebody has to see to, page by page, the earliest day first; each thing leads to its place on the Desk. */
export function DocketScreen({ shown, people }: DocketProps) {
  const router = useRouter();
  const [more, setMore] = useState<DocketShown['pages']>([]);
  const [next, setNext] = useState(shown.next);
  const [problem, setProblem] = useState<Problem | null>(null);
  const { person, isOwn, state, sums, today } = shown;
  const addressOf = (of: { person?: string; state?: DocketState }) => {
    const search = new URLSearchParams();
    const who = of.person ?? (isOwn ? '' : person.id);
    const which = of.state ?? state;
    if (who) search.set('person', who);
    if (which !== 'to do') search.set('state', which);
    return `/docket${search.size > 0 ? `?${search.toString()}` : ''}`;
  };
  const load = async () => {
    const sent = await send<DocketShown>('/api/docket/lines', { person: person.id, state, after: next });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setMore([...more, ...sent.value.pages]);
    setNext(sent.value.next);
  };
  const states = [
    { value: 'to do', label: `To do (${sums['to do']})` },
    { value: 'returned', label: `Came back (${sums.returned})` },
    { value: 'done', label: `Done (${sums.done})` },
  ];
  const pages = [...shown.pages, ...more];
  return (
    <Page id="content">
      {more.length === 0 && <LiveScreen />}
      <h1>{isOwn ? 'Your docket' : `Docket of ${person.name}`}</h1>
      <p>
        {sums.overdue > 0 ? `${counted(sums.overdue, 'thing is', 'things are')} overdue. ` : ''}
        {shown.hours === null ? '' : `What is to do will take about ${shown.hours.toLocaleString('en')} h. `}
        What is fixed leaves this list by itself, once an audit has seen it.
      </p>
      <Row>
        <Choice
          label="Show"
          hideLabel
          value={state}
          onChange={(which) => router.push(addressOf({ state: which as DocketState }))}
          options={states}
        />
        {shown.mayHandOut && (
          <Pick
            label="Of"
            value={person.id}
            onChange={(who) => router.push(addressOf({ person: who }))}
            options={people.map(({ id, name, role }) => ({ value: id, label: `${name}, ${role}` }))}
          />
        )}
        <Link href={isOwn ? '/note' : `/note?person=${encodeURIComponent(person.id)}`}>
          {isOwn ? 'A note for you' : `A note for ${person.name}`}
        </Link>
        <a href={`/api/docket-sheet?${new URLSearchParams({ state, ...(isOwn ? {} : { person: person.id }) }).toString()}`} download>
          Download as CSV
        </a>
        {shown.mayHandOut && <Link href="/docket/handed">All that is handed out</Link>}
        {shown.mayHandOut && <Link href="/learning">What comes back</Link>}
      </Row>
      {problem && <ProblemNotice problem={problem} />}
      {pages.length === 0 && <p>{NOTHING[state]}</p>}
      {pages.length > 0 && (
        <Pages>
          {pages.map((page) => (
            <li key={page.page}>
              <PageOfDocket page={page} today={state === 'done' ? null : today} mine={isOwn} />
            </li>
          ))}
        </Pages>
      )}
      {next && (
        <Row>
          <Button onPress={() => void load()}>More pages</Button>
        </Row>
      )}
    </Page>
  );
}

function PageOfDocket({ page, today, mine }: { page: DocketShown['pages'][number]; today: string | null; mine: boolean }) {
  const address = `/collections/${encodeURIComponent(page.collection)}/${encodeURIComponent(page.slug)}`;
  const { due, things, many } = page;
  const words = [...new Map(things.flatMap((thing) => (thing.words ? [[thing.words, thing.by] as const] : [])))];
  const late = today !== null && due !== null && due < today;
  const deskOf = (finding: number) =>
    `${address}?${new URLSearchParams({ ...(mine ? { standing: 'mine' } : {}), note: String(finding) }).toString()}`;
  return (
    <>
      <h2>
        <Link href={things[0] ? deskOf(things[0].finding) : address}>{page.title}</Link>
      </h2>
      <About>
        <span>{page.collectionTitle}</span>
        <span>{counted(many, 'thing')}</span>
        {due !== null && (
          <span>
            {late ? <b>Overdue since </b> : 'By '}
            <Day day={due} />
          </span>
        )}
      </About>
      {words.map(([said, by]) => (
        <p key={said}>{`${by}: “${said}”`}</p>
      ))}
      <Things>
        {things.map(({ finding, sentence, standing, by }) => (
          <li key={finding}>
            <Link href={deskOf(finding)}>{sentence}</Link>
            <small>{standing === 'returned' ? `came back after it was fixed; from ${by}` : `from ${by}`}</small>
          </li>
        ))}
        {many > things.length && <li>{`And ${many - things.length} more on this page.`}</li>}
      </Things>
    </>
  );
}
