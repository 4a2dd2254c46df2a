'use client';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { When } from '@/ui/When';
import type { SourceDraft } from './useSourceDraft';

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
  padding: 0.4rem 0.75rem;
  background: var(--paper);
  color: var(--ink);
  border-bottom: 1px solid var(--line);
  font-size: 0.875rem;
`;

/** Saving and dropping what is typed, and whether it is kept. */
export function DraftBar({
  draft,
  mayChange,
  busy,
  children,
}: {
  draft: SourceDraft;
  mayChange: boolean;
  busy: boolean;
  children?: ReactNode;
}) {
  return (
    <Bar>
      <Button
        $look="main"
        isDisabled={!draft.changed || !mayChange || busy}
        onPress={() => void draft.save()}
      >{`Save as revision ${draft.base + 1}`}</Button>
      <Button isDisabled={!draft.changed} onPress={draft.drop}>
        Discard the draft
      </Button>
      <span role="status">
        {draft.changed
          ? draft.kept
            ? 'Not saved; kept as a draft in this browser.'
            : 'Not saved, and this browser keeps no drafts.'
          : 'As saved.'}
      </span>
      {children}
      {draft.found && (
        <span>
          {'A draft of '}
          <When at={draft.found} />
          {' was taken up.'}
        </span>
      )}
    </Bar>
  );
}
