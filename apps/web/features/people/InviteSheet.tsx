'use client';
import type { Problem } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Pick, TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { ROLES } from './words';

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

export const EVERYWHERE = { value: '', label: 'All collections' };

/** Puts somebody in with a part; a message with a link goes to them. */
export function InviteSheet({ collections, onClose, onDone }: InviteProps) {
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [role, setRole] = useState('author');
  const [collection, setCollection] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const go = async () => {
    const sent = await send<{ id: string }>('/api/people/invite', { name, email, role, collection: collection || null });
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
        <Pick label="Part" value={role} onChange={setRole} options={ROLES} />
        <Pick
          label="In"
          value={collection}
          onChange={setCollection}
          options={[EVERYWHERE, ...collections.map(({ slug, title }) => ({ value: slug, label: title }))]}
        />
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
