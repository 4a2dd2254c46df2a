'use client';
import type { Problem } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { NEW_PART, partOf, PartPicks } from './PartPicks';

export const Fields = styled.form`
  display: grid;
  gap: 0.8rem;
  justify-items: start;
  > div {
    width: min(100%, 28rem);
  }
`;

interface InviteProps {
  collections: readonly { slug: string; title: string }[];
  onClose(): void;
  onDone(name: string): void;
}

/** Puts somebody in with a part; a message with a link goes to them. */
export function InviteSheet({ collections, onClose, onDone }: InviteProps) {
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [part, setPart] = useState(NEW_PART);
  const [problem, setProblem] = useState<Problem | null>(null);
  const go = async () => {
    const sent = await send<{ id: string }>('/api/people/invite', { name, email, ...partOf(part) });
    if (sent.ok) onDone(name.trim());
    else setProblem(sent.problem);
  };
  return (
    <Sheet title="Invite somebody" open onClose={onClose} problem={problem}>
      <Fields
        onSubmit={(event) => {
          event.preventDefault();
          void go();
        }}
      >
        <TextBox label="Name" value={name} onChange={setName} autoComplete="off" />
        <TextBox label="E-mail address" type="email" value={email} onChange={setEmail} autoComplete="off" />
        <PartPicks part={part} collections={collections} onChange={setPart} />
        <Row>
          <Button type="submit" $look="main" isDisabled={name.trim() === '' || email.trim() === ''}>
            Invite them
          </Button>
          <Button onPress={onClose}>Cancel</Button>
        </Row>
      </Fields>
    </Sheet>
  );
}
