'use client';
import { useState, type FormEvent } from 'react';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import type { Problem } from '@inkwell/review';
import styled from 'styled-components';

const Form = styled.form`
  display: grid;
  gap: 0.75rem;
  > div:last-child {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
  }
`;
const Day = styled.label`
  display: grid;
  gap: 0.2rem;
  font-weight: 600;
  font-size: 0.875rem;
  input {
    font-weight: 400;
    max-width: 12rem;
    min-height: 2.125rem;
    padding: 0.3rem 0.5rem;
    border: 1px solid var(--edge);
    border-radius: var(--round);
    background: var(--sheet);
  }
  small {
    font-weight: 400;
    font-size: 0.8125rem;
    color: var(--quiet);
  }
`;

export interface ExceptionFormProps {
  open: boolean;
  sentence: string;
  busy: boolean;
  problem: Problem | null;
  onClose(): void;
  onGrant(reason: string, until: string): Promise<boolean>;
}

/** Lets a note stand for a time: with a reason that others can follow, and the day on which it is looked at again. */
export function ExceptionForm({ open, sentence, busy, problem, onClose, onGrant }: ExceptionFormProps) {
  const [reason, setReason] = useState('');
  const [until, setUntil] = useState(() => inDays(90));
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (await onGrant(reason, until)) onClose();
  };
  return (
    <Sheet title="Let it stand for a time" open={open} onClose={onClose} problem={problem}>
      <p>{`${sentence}.`}</p>
      <Form onSubmit={(event) => void submit(event)}>
        <TextBox label="Why" value={reason} onChange={setReason} passage required hint="Whoever looks at this page later reads it." />
        <Day>
          Until
          <input type="date" value={until} required min={inDays(0)} max={inDays(730)} onChange={(event) => setUntil(event.target.value)} />
          <small>After that day the note is open again.</small>
        </Day>
        <div>
          <Button type="submit" $look="main" isDisabled={busy || reason.trim().length < 5}>
            Let it stand
          </Button>
          <Button onPress={onClose}>Cancel</Button>
        </div>
      </Form>
    </Sheet>
  );
}

function inDays(days: number): string {
  return new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
}
