'use client';
import type { Problem } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { When } from '@/ui/When';
import { PeopleMain } from './Door';

const List = styled.ul`
  display: grid;
  max-width: 52rem;
  > li {
    border-top: 1px solid var(--line);
    padding: 0.5rem 0;
  }
  summary::before {
    content: '▸' / '';
    width: 1ch;
    color: var(--quiet);
  }
  [open] > summary::before {
    content: '▾' / '';
  }
  summary {
    display: flex;
    flex-wrap: wrap;
    gap: 0.1rem 1rem;
    min-height: 1.75rem;
    align-items: center;
    cursor: pointer;
  }
  h2 {
    font: 700 1rem var(--sans);
  }
  small {
    color: var(--quiet);
    font-size: 0.875rem;
  }
  pre {
    white-space: pre-wrap;
    overflow-wrap: anywhere;
    font: 0.875rem/1.5 var(--mono);
    padding: 0.5rem 0 0.25rem;
  }
`;

export interface MessageRow {
  id: number;
  name: string | null;
  address: string;
  subject: string;
  body: string;
  at: string;
  sentAt: string | null;
  trouble: string | null;
}

interface OutboxProps {
  messages: readonly MessageRow[];
  /** Whether more may follow. */
  most: number;
  /** Whether a mail server is set. */
  hasServer: boolean;
}

/** Every message that went out, or would, as it reads. */
export function OutboxScreen({ messages, most, hasServer }: OutboxProps) {
  const [shown, setShown] = useState(messages);
  const [more, setMore] = useState(messages.length >= most);
  const [problem, setProblem] = useState<Problem | null>(null);
  const next = async () => {
    const sent = await send<MessageRow[]>('/api/people/messages', { before: shown.at(-1)!.id });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setShown([...shown, ...sent.value]);
    setMore(sent.value.length >= most);
  };
  return (
    <PeopleMain id="content">
      <h1>Messages</h1>
      <p>
        {hasServer
          ? 'What this house wrote to people, and whether their mail server took it.'
          : 'What this house wrote to people. No mail server is set, so each waits here to be read; hand its link on yourself.'}
      </p>
      {problem && <ProblemNotice problem={problem} />}
      {shown.length === 0 && <p>Nothing was written yet.</p>}
      {shown.length > 0 && (
        <List aria-label="Messages">
          {shown.map(({ id, name, address, subject, body, at, sentAt, trouble }) => (
            <li key={id}>
              <details>
                <summary>
                  <h2>{subject}</h2>
                  <small>
                    {`to ${name ?? 'somebody who was removed'}, ${address}, `}
                    <When at={at} />
                    {sentAt !== null && ', sent'}
                    {trouble !== null && `, not taken: ${trouble}`}
                  </small>
                </summary>
                <pre>{body}</pre>
              </details>
            </li>
          ))}
        </List>
      )}
      {more && (
        <Row>
          <Button onPress={() => void next()}>Older messages</Button>
        </Row>
      )}
    </PeopleMain>
  );
}
