'use client';
import type { Problem, RollRead } from '@inkwell/review';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { Button, DownloadLink } from '@/ui/Button';
import { Lines, Row } from '@/ui/Panel';
import { sendBytes } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { counted } from '@/ui/words';

/** Names told of each kind. */
const TOLD = 40;

/** People as a table, and back again: what a table would do is told before it is done. */
export function RollButtons({ onDone }: { onDone(words: string): Promise<void> }) {
  const [file, setFile] = useState<File | null>(null);
  const [read, setRead] = useState<RollRead | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const close = () => {
    setFile(null);
    setRead(null);
    setProblem(null);
  };
  const look = async (chosen: File) => {
    setFile(chosen);
    const sent = await sendBytes<RollRead>('/api/people-sheet', chosen);
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setRead(sent.value);
  };
  const take = async () => {
    const sent = await sendBytes<RollRead>('/api/people-sheet?write', file!);
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    close();
    const { invited, changed } = sent.value;
    await onDone(`${counted(invited.length, 'person is', 'people are')} invited, ${counted(changed.length, 'other')} changed.`);
  };
  const changes = read ? read.invited.length + read.changed.length : 0;
  return (
    <>
      <DownloadLink $look="quiet" href="/api/people-sheet" download>
        Download as CSV
      </DownloadLink>
      <FileTrigger acceptedFileTypes={['.csv', 'text/csv']} onSelect={(files) => files?.[0] && void look(files[0])}>
        <Button $look="quiet">Bring a table…</Button>
      </FileTrigger>
      {(read ?? problem) && (
        <Sheet title="A table of people" open onClose={close} problem={problem}>
          {read && (
            <>
              <Names words="To be invited" names={read.invited} />
              <Names words="To be changed" names={read.changed} />
              {read.same > 0 && <p>{`${counted(read.same, 'row says', 'rows say')} what stands here already.`}</p>}
              {read.aside.length > 0 && (
                <>
                  <h3>{`Kept aside (${read.aside.length})`}</h3>
                  <Lines>
                    {read.aside.slice(0, TOLD).map(({ row, who, why }) => (
                      <li key={row}>{`Row ${row}, ${who || 'nobody'}: ${why}`}</li>
                    ))}
                    {read.aside.length > TOLD && <li>{`and ${read.aside.length - TOLD} more`}</li>}
                  </Lines>
                </>
              )}
              {changes === 0 && <p>There is nothing in it to be done.</p>}
            </>
          )}
          <Row>
            {changes > 0 && (
              <Button $look="main" onPress={() => void take()}>
                Do it
              </Button>
            )}
            <Button onPress={close}>{changes > 0 ? 'Cancel' : 'Close'}</Button>
          </Row>
        </Sheet>
      )}
    </>
  );
}

function Names({ words, names }: { words: string; names: readonly string[] }) {
  if (names.length === 0) return null;
  const more = names.length > TOLD ? ` and ${names.length - TOLD} more` : '';
  return (
    <>
      <h3>{`${words} (${names.length})`}</h3>
      <p>{`${names.slice(0, TOLD).join(', ')}${more}`}</p>
    </>
  );
}
