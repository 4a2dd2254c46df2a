'use client';
import type { AnswerView, Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Lines, Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Main } from '@/ui/Shell';
import { When } from '@/ui/When';
import { counted } from '@/ui/words';
import { Views } from './Views';

const Page = styled(Main)`
  display: grid;
  gap: 0.75rem;
  align-content: start;
  h2 {
    font: 600 1rem/1.4 var(--sans);
  }
  small {
    display: block;
    font-size: 0.8125rem;
    color: var(--quiet);
  }
  li > div:first-child {
    flex: 1 1 20rem;
    overflow-wrap: anywhere;
  }
`;

const STATES: Record<AnswerView['state'], string> = {
  'in force': '',
  waits: 'waits for a second answer',
  agreed: 'the first of two that agree',
  apart: 'another answer differs',
  'gave way': 'another answer took its place',
  'taken back': 'taken back',
};
const ANSWERS: Record<AnswerView['answer'], string> = { stands: 'Yes', 'no problem': 'No', 'not sure': 'Not sure' };

interface AnsweredProps {
  shown: { answers: AnswerView[]; next: number | null };
  rule: string | null;
}

/** What was answered: by whom, when and why, where it holds, and the way back. */
export function AnsweredScreen({ shown, rule }: AnsweredProps) {
  const [answers, setAnswers] = useState(shown.answers);
  const [next, setNext] = useState(shown.next);
  const [problem, setProblem] = useState<Problem | null>(null);
  const load = async () => {
    const sent = await send<AnsweredProps['shown']>('/api/questions/given', { before: next, rule });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setAnswers([...answers, ...sent.value.answers]);
    setNext(sent.value.next);
  };
  const takeBack = async (id: number) => {
    const sent = await send('/api/questions/back', { answer: id });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setAnswers(answers.map((one) => (one.id === id ? { ...one, state: 'taken back', findings: 0, pages: 0 } : one)));
  };
  return (
    <Page id="content">
      <h1>Answered questions</h1>
      <Row>
        <Views at="answered" />
      </Row>
      {problem && <ProblemNotice problem={problem} />}
      {answers.length === 0 && <p>Nothing was answered yet.</p>}
      {answers.length > 0 && (
        <Lines>
          {answers.map((answer) => (
            <li key={answer.id}>
              <div>
                <h2>{`${ANSWERS[answer.answer]}: ${answer.title}`}</h2>
                {answer.sentence && <p>{answer.sentence}</p>}
                <small>
                  {`${answer.by}, `}
                  <When at={answer.at} />
                  {`. ${wordsOf(answer)}`}
                  {answer.reason && ` “${answer.reason}”`}
                </small>
              </div>
              <Row>
                {answer.slug !== null && (
                  <Link href={`/collections/${answer.collection}/${answer.slug}?note=${answer.finding}`}>Where it was asked</Link>
                )}
                {(answer.state === 'in force' || answer.state === 'waits') && (
                  <Button $look="quiet" onPress={() => void takeBack(answer.id)}>
                    Take it back
                  </Button>
                )}
              </Row>
            </li>
          ))}
        </Lines>
      )}
      {next !== null && (
        <Row>
          <Button onPress={() => void load()}>Earlier answers</Button>
        </Row>
      )}
    </Page>
  );
}

function wordsOf({ state, findings, pages, onePage, reach }: AnswerView): string {
  if (state !== 'in force') return `${STATES[state].replace(/^./, (letter) => letter.toUpperCase())}.`;
  const where = onePage ? 'on that page alone' : reach === null ? 'in all collections' : `in ${reach}`;
  return `Holds ${where}: ${counted(findings, 'note', 'notes')} on ${counted(pages, 'page', 'pages')}.`;
}
