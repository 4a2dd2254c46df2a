'use client';
import type { DocketSheetTaken, Problem } from '@inkwell/review';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { Button, DownloadLink } from '@/ui/Button';
import { Lines, Row } from '@/ui/Panel';
import { sendBytes } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { counted } from '@/ui/words';

/** Rows told one by one. */
const TOLD = 40;

/** All that waits in hands as a table for a spreadsheet, and back again: whom each thing is for, and by when. */
export function HandedSheets({ onDone }: { onDone(): void }) {
  const [taken, setTaken] = useState<DocketSheetTaken | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const bring = async (file: File) => {
    const sent = await sendBytes<DocketSheetTaken>('/api/docket-sheet', file);
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setTaken(sent.value);
    onDone();
  };
  const close = () => {
    setTaken(null);
    setProblem(null);
  };
  return (
    <>
      <DownloadLink $look="quiet" href="/api/docket-sheet?all" download>
        Download as CSV
      </DownloadLink>
      <FileTrigger acceptedFileTypes={['.csv', 'text/csv']} onSelect={(files) => files?.[0] && void bring(files[0])}>
        <Button $look="quiet">Bring a table back…</Button>
      </FileTrigger>
      {(taken ?? problem) && (
        <Sheet title="The table that came back" open onClose={close} problem={problem}>
          {taken && (
            <>
              <p role="status">
                {`${counted(taken.changed, 'thing was', 'things were')} handed on or given another day; ${counted(taken.same, 'row')} said what stands already; ${counted(taken.aside.length, 'row')} kept aside.`}
              </p>
              {taken.aside.length > 0 && (
                <Lines aria-label="Rows kept aside">
                  {taken.aside.slice(0, TOLD).map(({ row, what, why }) => (
                    <li key={row}>{`Row ${row}, “${what}”: ${why}`}</li>
                  ))}
                  {taken.aside.length > TOLD && <li>{`and ${taken.aside.length - TOLD} more`}</li>}
                </Lines>
              )}
            </>
          )}
          <Row>
            <Button $look="main" onPress={close}>
              Close
            </Button>
          </Row>
        </Sheet>
      )}
    </>
  );
}
