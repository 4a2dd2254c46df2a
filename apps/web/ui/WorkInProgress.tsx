'use client';
import type { Progress } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { Button } from './Button';
import { send } from './send';

const Line = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.25rem 0.75rem;
  margin-top: 0.75rem;
  padding: 0.4rem 0.75rem;
  border: 1px solid var(--line);
  background: var(--sheet);
  font-size: 0.9375rem;
  progress {
    width: 12rem;
    max-width: 100%;
    accent-color: var(--gall);
  }
`;

const EVERY_MS = 3_000;

/** How far work in the background is: asked for again until it is done, and then the screen is read anew. */
export function WorkInProgress({ work: atFirst, mayCancel = false }: { work: readonly Progress[]; mayCancel?: boolean }) {
  const [work, setWork] = useState(atFirst);
  const router = useRouter();
  const going = work.length > 0;
  const was = useRef(going);
  useEffect(() => {
    if (was.current && !going) router.refresh();
    was.current = going;
    if (!going) return;
    const timer = setInterval(() => void send<Progress[]>('/api/work', {}).then((sent) => sent.ok && setWork(sent.value)), EVERY_MS);
    return () => clearInterval(timer);
  }, [going, router]);
  const cancel = async (id: string) => {
    const sent = await send<Progress[]>('/api/work', { cancel: id });
    if (sent.ok) setWork(sent.value);
  };
  return (
    <>
      {work.map(({ id, what, done, total }) => (
        <Line key={id}>
          <label htmlFor={`work-${id}`}>{`${what}: ${done.toLocaleString('en')} of ${total.toLocaleString('en')} pages`}</label>
          <progress id={`work-${id}`} value={done} max={total} />
          {mayCancel && (
            <Button $look="quiet" onPress={() => void cancel(id)}>
              Cancel the rest
            </Button>
          )}
        </Line>
      ))}
    </>
  );
}
