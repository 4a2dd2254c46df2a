'use client';
import type { BarrierLine, Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { Main } from '@/ui/Shell';
import { Small } from '@/ui/Table';
import { When } from '@/ui/When';

const Messages = styled.ul`
  display: grid;
  gap: 0.75rem;
  margin-top: 1rem;
  li {
    background: var(--sheet);
    border: 1px solid var(--line);
    padding: 0.75rem 1rem;
    display: grid;
    gap: 0.4rem;
  }
  blockquote {
    margin: 0;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
`;

/** What readers told of: each waits until somebody says what became of it. */
export function BarriersScreen({ lines, mayAnswer }: { lines: readonly BarrierLine[]; mayAnswer: boolean }) {
  const [answering, setAnswering] = useState<BarrierLine | null>(null);
  const open = lines.filter(({ answer }) => answer === null).length;
  return (
    <Main id="content">
      <h1>From readers</h1>
      <p>
        {open === 0
          ? 'Nothing that readers told waits for an answer.'
          : open === 1
            ? '1 message of a reader waits for an answer.'
            : `${open} messages of readers wait for an answer.`}
      </p>
      {lines.length > 0 && (
        <Messages>
          {lines.map((line) => (
            <li key={line.id}>
              <h2>
                {line.page ? (
                  <Link href={`/collections/${line.collection.slug}/${line.page.slug}`}>{line.page.title}</Link>
                ) : (
                  line.place || 'No page named'
                )}
              </h2>
              <Small>
                {`${line.collection.title}, `}
                <When at={line.at} />
                {line.replyTo && `, answer to ${line.replyTo}`}
              </Small>
              <blockquote>{line.words}</blockquote>
              {line.answer === null ? (
                mayAnswer && (
                  <Row>
                    <Button onPress={() => setAnswering(line)} aria-label={`Say what became of it: ${line.page?.title ?? line.place}`}>
                      Say what became of it…
                    </Button>
                  </Row>
                )
              ) : (
                <p>{`${line.answeredBy}: ${line.answer}`}</p>
              )}
            </li>
          ))}
        </Messages>
      )}
      {answering && <AnswerSheet line={answering} onClose={() => setAnswering(null)} />}
    </Main>
  );
}

function AnswerSheet({ line, onClose }: { line: BarrierLine; onClose(): void }) {
  const router = useRouter();
  const [answer, setAnswer] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const write = async () => {
    const sent = await send<null>('/api/report/answer-reader', { barrier: line.id, answer });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    onClose();
    router.refresh();
  };
  return (
    <Sheet title="What became of it?" open onClose={onClose} problem={problem}>
      <p>{line.words}</p>
      <TextBox
        label="What became of it"
        passage
        rows={3}
        value={answer}
        onChange={setAnswer}
        hint={line.replyTo ? `Write to ${line.replyTo} too; this is for the record.` : undefined}
      />
      <Row>
        <Button $look="main" isDisabled={answer.trim() === ''} onPress={() => void write()}>
          Write it down
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}
