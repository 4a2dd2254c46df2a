'use client';
import type { Problem, RemarkView } from '@inkwell/review';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { When } from '@/ui/When';

const Said = styled.ol`
  max-height: 45vh;
  overflow: auto;
  li {
    padding: 0.4rem 0;
    border-top: 1px solid var(--line);
  }
  p {
    white-space: pre-line;
    overflow-wrap: anywhere;
  }
  small {
    color: var(--quiet);
  }
`;

interface RemarksProps {
  page: number;
  finding: number;
  onClose(changed: boolean): void;
}

/** What people have said about a finding, and a box to say something in. */
export function RemarksSheet({ page, finding, onClose }: RemarksProps) {
  const [lines, setLines] = useState<readonly RemarkView[] | null>(null);
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [changed, setChanged] = useState(false);
  useEffect(() => {
    void send<RemarkView[]>(`/api/pages/${page}/remarks`, { finding, words: null }).then((sent) =>
      sent.ok ? setLines(sent.value) : setProblem(sent.problem),
    );
  }, [page, finding]);
  const say = async () => {
    const sent = await send<RemarkView[]>(`/api/pages/${page}/remarks`, { finding, words });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setLines(sent.value);
    setWords('');
    setChanged(true);
  };
  return (
    <Sheet title="Remarks" open onClose={() => onClose(changed)} problem={problem}>
      {lines?.length === 0 && <p>Nobody has said anything about this yet.</p>}
      {lines !== null && lines.length > 0 && (
        <Said>
          {lines.map(({ id, words: said, by, at }) => (
            <li key={id}>
              <small>
                {`${by}, `}
                <When at={at} />
              </small>
              <p>{said}</p>
            </li>
          ))}
        </Said>
      )}
      <TextBox label="Say something" value={words} onChange={setWords} passage rows={3} hint="@ and a whole name tells somebody of it." />
      <Row>
        <Button $look="main" isDisabled={words.trim() === ''} onPress={() => void say()}>
          Say it
        </Button>
        <Button onPress={() => onClose(changed)}>Close</Button>
      </Row>
    </Sheet>
  );
}
