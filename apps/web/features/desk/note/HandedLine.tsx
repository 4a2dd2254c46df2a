'use client';
import type { Desk, Note } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { HandOutSheet } from '@/features/docket/HandOutSheet';
import { Button } from '@/ui/Button';
import { send } from '@/ui/send';
import { Day } from '@/ui/When';
import { RemarksSheet } from './RemarksSheet';

const Line = styled.p`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 0.5rem;
  font-size: 0.875rem;
  button {
    min-height: 1.5rem;
    padding: 0;
  }
`;

interface HandedProps {
  note: Note;
  desk: Pick<Desk, 'pageId' | 'collection' | 'slug'>;
  may: boolean;
  onDone(): void;
}

/** In whose hands a note is, with the day and the word; and the way to hand it to somebody. */
export function HandedLine({ note: { id, sentence, handed, remarks }, desk, may, onDone }: HandedProps) {
  const [open, setOpen] = useState(false);
  const [said, setSaid] = useState('');
  const [talk, setTalk] = useState(false);
  const takeBack = async () => {
    const sent = await send<unknown>('/api/docket/take', { collection: desk.collection.slug, findings: [id] });
    setSaid(sent.ok ? '' : sent.problem.what);
    if (sent.ok) onDone();
  };
  return (
    <Line>
      {handed && (
        <span>
          {handed.mine ? 'Handed to you' : `Handed to ${handed.name}`}
          {` by ${handed.by}`}
          {handed.due && (
            <>
              , by <Day day={handed.due} />
            </>
          )}
          {handed.words && `: “${handed.words}”`}
        </span>
      )}
      {may && (
        <Button $look="quiet" onPress={() => setOpen(true)}>
          {handed ? 'Hand it on…' : 'Hand to somebody…'}
        </Button>
      )}
      <Button $look="quiet" onPress={() => setTalk(true)}>
        {remarks > 0 ? `Remarks (${remarks})…` : 'Remarks…'}
      </Button>
      {talk && <RemarksSheet page={desk.pageId} finding={id} onClose={(changed) => [setTalk(false), changed && onDone()]} />}
      {may && handed && (
        <Button $look="quiet" onPress={() => void takeBack()}>
          Take it back
        </Button>
      )}
      <span role="status">{said}</span>
      {open && (
        <HandOutSheet
          collection={desk.collection.slug}
          of={{ pages: [desk.slug], findings: [id] }}
          what={sentence}
          onClose={() => setOpen(false)}
          onDone={(words) => {
            setOpen(false);
            setSaid(words);
            onDone();
          }}
        />
      )}
    </Line>
  );
}
