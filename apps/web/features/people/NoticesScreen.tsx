'use client';
import type { NoticeView, Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { messagesRead } from '@/ui/live/live';
import { send } from '@/ui/send';
import { Main } from '@/ui/Shell';
import { When } from '@/ui/When';

const Notices = styled.ul`
  margin-top: 0.75rem;
  > li {
    padding: 0.7rem 1rem 0.8rem;
    background: var(--sheet);
    border: 1px solid var(--line);
    margin-top: -1px;
  }
  h2 {
    font-size: 1.0625rem;
  }
  p {
    white-space: pre-line;
    overflow-wrap: anywhere;
  }
  small {
    color: var(--quiet);
  }
`;

interface NoticesProps {
  shown: { notices: NoticeView[]; next: number | null };
  /** Where this server is reached: what leads there is a link. */
  site: string;
}

/** A message with what leads into this house as links; any other address stays text. */
function Body({ text, site }: { text: string; site: string }) {
  return text.split(/(https?:\/\/\S+)/).map((part, nth) =>
    part.startsWith(`${site}/`) ? (
      <Link key={nth} href={part.slice(site.length)}>
        {part}
      </Link>
    ) : (
      part
    ),
  );
}

/** What somebody was told, the newest first. */
export function NoticesScreen({ shown, site }: NoticesProps) {
  const [lines, setLines] = useState(shown.notices);
  const [next, setNext] = useState(shown.next);
  const [problem, setProblem] = useState<Problem | null>(null);
  const newest = shown.notices[0];
  // They are read when they are seen, not when a browser fetches them ahead.
  useEffect(() => {
    if (newest?.isNew) void send<null>('/api/notices/read', { notice: newest.id }).then(messagesRead);
  }, [newest]);
  const load = async () => {
    const sent = await send<NoticesProps['shown']>('/api/notices/show', { before: next });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setLines([...lines, ...sent.value.notices]);
    setNext(sent.value.next);
  };
  return (
    <Main id="content">
      <h1>Notices</h1>
      {problem && <ProblemNotice problem={problem} />}
      {lines.length === 0 && <p>Nobody has told you anything yet.</p>}
      {lines.length > 0 && (
        <Notices>
          {lines.map((notice) => (
            <li key={notice.id}>
              <h2>{notice.isNew ? `New: ${notice.subject}` : notice.subject}</h2>
              <small>
                <When at={notice.at} />
              </small>
              <p>
                <Body text={notice.body.trim()} site={site} />
              </p>
            </li>
          ))}
        </Notices>
      )}
      {next !== null && (
        <Row>
          <Button onPress={() => void load()}>Earlier ones</Button>
        </Row>
      )}
    </Main>
  );
}
