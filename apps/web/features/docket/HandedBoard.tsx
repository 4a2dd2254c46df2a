'use client';
import type { HandedChanged, HandedColumn, HandedShown, Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { DayBox, Pick, Tick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Day } from '@/ui/When';
import { counted } from '@/ui/words';

const Columns = styled.div`
  display: grid;
  gap: 0.9rem;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 15rem), 1fr));
  align-items: start;
  h2 {
    font-size: 1rem;
    padding-bottom: 0.3rem;
    border-bottom: 2px solid var(--ink);
  }
  small {
    color: var(--quiet);
    font: 400 0.8125rem var(--sans);
  }
`;
const Cards = styled.ul`
  display: grid;
  > li {
    display: flex;
    gap: 0.5rem;
    align-items: flex-start;
    padding: 0.45rem 0;
    border-bottom: 1px solid var(--line);
  }
  > li > div {
    min-width: 0;
  }
  a {
    overflow-wrap: anywhere;
    font-weight: 600;
  }
  p {
    font-size: 0.875rem;
    color: var(--quiet);
  }
`;
const Acts = styled(Row)`
  padding: 0.4rem 0.75rem;
  background: var(--gallWash);
  border: 1px solid var(--line);
`;

const HEADS: Record<HandedColumn, string> = { 'to do': 'To do', overdue: 'Overdue', returned: 'Came back', done: 'Done' };

type Card = HandedShown['columns'][number]['cards'][number];
const keyOf = ({ page, person }: Card) => `${page} ${person}`;

interface BoardProps {
  columns: HandedShown['columns'];
  today: string;
  people: readonly { id: string; name: string; role: string }[];
  onDone(): void;
}

/** What is handed out, by how far it is. Nothing is moved here by hand: an audit that finds it fixed, or not any more, moves it. */
export function HandedBoard({ columns, today, people, onDone }: BoardProps) {
  const [chosen, setChosen] = useState<ReadonlyMap<string, Card>>(new Map());
  const [said, setSaid] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const choose = (card: Card, on: boolean) => {
    const next = new Map(chosen);
    if (on) next.set(keyOf(card), card);
    else next.delete(keyOf(card));
    setChosen(next);
  };
  const change = async (to: object | 'back') => {
    const cards = [...chosen.values()].map(({ page, person }) => ({ page, person }));
    const sent = await send<HandedChanged>('/api/docket/change', { cards, change: to });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    const { changed, left } = sent.value;
    const stayed = left > 0 ? ` ${counted(left, 'stays as it is', 'stay as they are')}: you, or whoever it is for, may not there.` : '';
    setSaid(`${counted(changed, 'thing was', 'things were')} changed.${stayed}`);
    setChosen(new Map());
    onDone();
  };
  return (
    <>
      <p role="status">{said}</p>
      {problem && <ProblemNotice problem={problem} />}
      {chosen.size > 0 && <ChosenActs many={chosen.size} people={people} onChange={change} onNone={() => setChosen(new Map())} />}
      <Columns>
        {columns.map(({ column, cards, findings, total }) => (
          <section key={column} aria-labelledby={`column-${column.replace(' ', '-')}`}>
            <h2 id={`column-${column.replace(' ', '-')}`}>
              {HEADS[column]} <small>{`${counted(findings, 'thing')} on ${counted(total, 'page')}`}</small>
            </h2>
            <Cards>
              {cards.map((card) => (
                <li key={keyOf(card)}>
                  {column !== 'done' && (
                    <Tick label="" name={`${card.title}, ${card.name}`} on={chosen.has(keyOf(card))} onChange={(on) => choose(card, on)} />
                  )}
                  <div>
                    <Link href={`/collections/${encodeURIComponent(card.collection)}/${encodeURIComponent(card.slug)}`}>{card.title}</Link>
                    <p>
                      {`${card.name}, ${counted(card.many, 'thing')}`}
                      {card.due !== null && (
                        <>
                          {card.due < today && column !== 'done' ? ', overdue since ' : ', by '}
                          <Day day={card.due} />
                        </>
                      )}
                    </p>
                  </div>
                </li>
              ))}
              {total > cards.length && <li>{`And ${total - cards.length} more.`}</li>}
              {total === 0 && <li>None.</li>}
            </Cards>
          </section>
        ))}
      </Columns>
    </>
  );
}

interface ActsProps {
  many: number;
  people: BoardProps['people'];
  onChange(to: object | 'back'): Promise<void>;
  onNone(): void;
}

function ChosenActs({ many, people, onChange, onNone }: ActsProps) {
  const [to, setTo] = useState('');
  const [due, setDue] = useState('');
  return (
    <Acts role="group" aria-label="Chosen">
      <b role="status">{`${many} chosen`}</b>
      <Pick
        label="Hand on to"
        value={to}
        onChange={setTo}
        options={[{ value: '', label: 'choose' }, ...people.map(({ id, name, role }) => ({ value: id, label: `${name}, ${role}` }))]}
      />
      <Button isDisabled={to === ''} onPress={() => void onChange({ to })}>
        Hand them on
      </Button>
      <DayBox label="By" value={due} onChange={setDue} />
      <Button isDisabled={due === ''} onPress={() => void onChange({ due })}>
        Set the day
      </Button>
      <Button onPress={() => void onChange({ due: null })}>No day</Button>
      <Button onPress={() => void onChange('back')}>Take them back</Button>
      <Button $look="quiet" onPress={onNone}>
        Choose none
      </Button>
    </Acts>
  );
}
