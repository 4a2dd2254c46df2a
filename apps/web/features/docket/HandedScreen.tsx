'use client';
import type { HandedChoice, HandedShown, Problem } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Field';
import { LiveScreen } from '@/ui/live/LiveScreen';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Main } from '@/ui/Shell';
import { FAMILY_WORDS } from '@/ui/words';
import { addressOfHanded, BY } from './handed';
import { HandedBoard } from './HandedBoard';
import { HandedSheets } from './HandedSheets';
import { HandedTable } from './HandedTable';

const Page = styled(Main)`
  display: grid;
  gap: 0.75rem;
  align-content: start;
`;

interface HandedProps {
  shown: HandedShown;
  asBoard: boolean;
  people: readonly { id: string; name: string; role: string }[];
}

/** All that is in somebody's hands: put together by person, page, family or day, or on a board by how far it is. */
export function HandedScreen({ shown, asBoard, people }: HandedProps) {
  const router = useRouter();
  const { choice } = shown;
  const [more, setMore] = useState<HandedShown['groups']>([]);
  const [next, setNext] = useState(shown.next);
  const [problem, setProblem] = useState<Problem | null>(null);
  const go = (part: Partial<HandedChoice>, board = asBoard) => router.push(addressOfHanded({ ...choice, ...part }, board));
  const load = async () => {
    const sent = await send<HandedShown>('/api/docket/handed', { ...choice, as: 'table', skip: next });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setMore([...more, ...sent.value.groups]);
    setNext(sent.value.next);
  };
  const narrowed = [
    choice.person !== null && { label: shown.named.person ?? '', part: { person: null } },
    choice.page !== null && { label: shown.named.page ?? '', part: { page: null } },
    choice.family !== null && { label: FAMILY_WORDS[choice.family], part: { family: null } },
    choice.due !== null && { label: choice.due === '' ? 'no day' : choice.due, part: { due: null } },
  ].filter((one) => one !== false);
  return (
    <Page id="content">
      {more.length === 0 && <LiveScreen />}
      <h1>Handed out</h1>
      <Row>
        <Choice
          label="As"
          hideLabel
          value={asBoard ? 'board' : 'table'}
          onChange={(as) => go({}, as === 'board')}
          options={[
            { value: 'table', label: 'As a table' },
            { value: 'board', label: 'As a board' },
          ]}
        />
        {!asBoard && (
          <Choice
            label="Put together"
            hideLabel
            value={choice.by}
            onChange={(by) => go({ by: BY.find(({ value }) => value === by)!.value })}
            options={BY}
          />
        )}
        <HandedSheets onDone={() => router.refresh()} />
      </Row>
      {narrowed.length > 0 && (
        <Row role="group" aria-label="Only">
          {narrowed.map(({ label, part }) => (
            <Button key={label} $look="quiet" onPress={() => go(part)} aria-label={`Show all again, not only ${label}`}>
              {`Only ${label} ×`}
            </Button>
          ))}
        </Row>
      )}
      {problem && <ProblemNotice problem={problem} />}
      {asBoard ? (
        <HandedBoard columns={shown.columns} today={shown.today} people={people} onDone={() => router.refresh()} />
      ) : (
        <HandedTable groups={[...shown.groups, ...more]} choice={choice} today={shown.today} />
      )}
      {!asBoard && next !== null && (
        <Row>
          <Button onPress={() => void load()}>More</Button>
        </Row>
      )}
    </Page>
  );
}
