'use client';
import type { AnswerReach, QuestionsShown, QuestionView } from '@inkwell/review';
import type { Answer, KeySettings } from '@inkwell/store';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Pick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { Main } from '@/ui/Shell';
import { counted } from '@/ui/words';
import { useShortcuts } from '../desk/useShortcuts';
import { AskedPage } from './AskedPage';
import { QuestionPane } from './QuestionPane';
import { reachesOf } from './reach';
import { TurnOff } from './TurnOff';
import { useQuestions, type Answered } from './useQuestions';
import { Views } from './Views';

const Page = styled(Main)`
  max-width: none;
  padding: 0.75rem 1.25rem 1.25rem;
  display: grid;
  gap: 0.6rem;
  grid-template-rows: auto auto minmax(0, 1fr);
  > h1 {
    font-size: 1.5rem;
  }
  @media (min-width: 60rem) {
    height: calc(100vh - 2.875rem);
    min-height: 38rem;
  }
`;
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1.25rem;
  align-items: center;
  h1 {
    font-size: 1.5rem;
  }
  > p {
    color: var(--quiet);
    font-size: 0.875rem;
  }
`;
const Two = styled.div`
  display: grid;
  gap: 1rem;
  min-height: 0;
  @media (min-width: 60rem) {
    grid-template-columns: minmax(0, 1.35fr) minmax(22rem, 1fr);
  }
`;
const Pages = styled.div`
  display: grid;
  grid-template: minmax(0, 1fr) / minmax(0, 1fr);
  min-height: 20rem;
`;
const Line = styled.p`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 0.75rem;
  min-height: 2rem;
  font-size: 0.875rem;
`;

interface QuestionsProps {
  shown: QuestionsShown;
  rule: string | null;
  keys: KeySettings;
}

/** What waits for a person’s ruling: one question at a time, answered with one key for all that ask it. */
export function QuestionsScreen({ shown, rule, keys }: QuestionsProps) {
  const { queue, kinds, answered, problem, passedOver, give, describe, pass, takeBack, startAgain } = useQuestions(shown, rule);
  const router = useRouter();
  const [question, next] = queue;
  const { agreed, apart } = shown.agreement;
  const all = kinds.reduce((sum, kind) => sum + kind.questions, 0);
  const asked = rule === null ? all : (kinds.find((kind) => kind.rule === rule)?.questions ?? 0);
  const addressOf = (which: string) => {
    const search = new URLSearchParams({
      ...(shown.waiting === 'specialist' ? { show: 'specialist' } : {}),
      ...(which === '' ? {} : { kind: which }),
    });
    return `/questions${search.size > 0 ? `?${search.toString()}` : ''}`;
  };
  return (
    <Page id="content">
      <Head>
        <h1>Questions</h1>
        <Views at={shown.waiting} />
        <Link href="/barriers">From readers</Link>
        <Pick
          label="Kind"
          value={rule ?? ''}
          onChange={(which) => router.push(addressOf(which))}
          options={[
            { value: '', label: `All kinds (${all})` },
            ...kinds.map((kind) => ({ value: kind.rule, label: `${kind.title} (${kind.questions})` })),
          ]}
        />
        <p>{answered.length > 0 ? `${answered.length} answered in this sitting` : counted(asked, 'question', 'questions')}</p>
        {agreed + apart > 0 && <p>{`Where two answered, they agreed ${agreed} of ${agreed + apart} times`}</p>}
      </Head>
      <div>
        {problem && <ProblemNotice problem={problem} />}
        <LastAnswer last={answered[0]} keys={keys} onTakeBack={() => void takeBack()} />
        <TurnOff kind={kinds.find(({ mayGo }) => mayGo)} maySetStandard={shown.maySetStandard} />
      </div>
      {question ? (
        <Two>
          <Pages>
            {[question, ...(next ? [next] : [])].map((one) => (
              <AskedPage key={one.finding} question={one} isNext={one !== question} />
            ))}
          </Pages>
          <InHand
            key={question.same}
            question={question}
            keys={keys}
            mayAnswerEverywhere={shown.mayAnswerEverywhere}
            onGive={(answer, reach, reason) => give(question, answer, reach, reason)}
            onDescribe={(reach, words) => describe(question, reach, words)}
            onPass={() => pass(question)}
            onTakeBack={() => void takeBack()}
          />
        </Two>
      ) : (
        <div>
          <p>
            {shown.waiting === 'specialist'
              ? 'No question waits for a specialist.'
              : passedOver > 0
                ? `Nothing else is asked. ${counted(passedOver, 'question was', 'questions were')} passed over.`
                : 'No question waits for an answer.'}
          </p>
          <Row>
            {passedOver > 0 && <Button onPress={startAgain}>Go through those passed over</Button>}
            <Link href="/">To the Shelf</Link>
          </Row>
        </div>
      )}
    </Page>
  );
}

interface InHandProps {
  question: QuestionView;
  keys: KeySettings;
  mayAnswerEverywhere: boolean;
  onGive(answer: Answer, reach: AnswerReach, reason: string): void;
  onDescribe(reach: AnswerReach, words: string): Promise<boolean>;
  onPass(): void;
  onTakeBack(): void;
}

/** The question in hand: its answers, and the keys that give them. */
function InHand({ question, keys, mayAnswerEverywhere, onGive, onDescribe, onPass, onTakeBack }: InHandProps) {
  const reaches = useMemo(() => reachesOf(question, mayAnswerEverywhere), [question, mayAnswerEverywhere]);
  const [reach, setReach] = useState<AnswerReach>(reaches[0]!.value);
  const [reason, setReason] = useState('');
  const [words, setWords] = useState<string | null>(null);
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => heading.current?.focus({ preventScroll: true }), []);
  const wider = () => setReach(reaches[(reaches.findIndex(({ value }) => value === reach) + 1) % reaches.length]!.value);
  const give = (answer: Answer) => onGive(answer, reach, reason);
  const shortcuts = useShortcuts(
    [
      { key: 'y', does: 'Answer yes', run: () => give('stands') },
      { key: 'x', does: 'Answer no', run: () => give('no problem') },
      { key: 'z', does: 'Answer not sure', run: () => give('not sure') },
      ...(question.alternative === null ? [] : [{ key: 'd', does: 'Describe it again', run: () => setWords(question.alternative) }]),
      { key: 'n', does: 'Next, without an answer', run: onPass },
      { key: 'u', does: 'Take the last answer back', run: onTakeBack },
      { key: 'w', does: 'How far it reaches', run: wider },
    ],
    keys,
  );
  const keyOf = (usual: string) => (keys.on ? (shortcuts.find((one) => one.usual === usual)?.key ?? null) : null);
  return (
    <QuestionPane
      {...{ question, reaches, reach, reason, words, heading, keyOf, onPass }}
      onWords={setWords}
      onDescribe={() => void onDescribe(reach, words ?? '')}
      onReach={setReach}
      onReason={setReason}
      onGive={give}
    />
  );
}

const SAID: Record<Answered['answer'], string> = {
  described: 'Described again',
  stands: 'Yes',
  'no problem': 'No',
  'not sure': 'Not sure',
};

/** What was answered last, where it holds, and the way back. */
function LastAnswer({ last, keys, onTakeBack }: { last: Answered | undefined; keys: KeySettings; onTakeBack(): void }) {
  const key = keys.assigned.u ?? 'u';
  const said = last && `${SAID[last.answer]}: ${last.question.sentence}`;
  const came =
    last?.given?.outcome === 'waits for a second answer'
      ? 'It waits for somebody else’s answer.'
      : last?.given?.outcome === 'two answers apart'
        ? 'Two answers differ: a specialist is asked.'
        : last?.given
          ? `Holds on ${counted(last.given.pages, 'page', 'pages')}${last.given.more ? ', and more to come' : ''}.`
          : '';
  return (
    <Line role="status">
      {last && (
        <>
          <span>{`${said!.length > 110 ? `${said!.slice(0, 108)}…` : said} ${came}`}</span>
          <Button $look="quiet" onPress={onTakeBack}>{`Take it back${keys.on ? ` (${key})` : ''}`}</Button>
        </>
      )}
    </Line>
  );
}
