'use client';
import type { Problem } from '@inkwell/review';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { counted } from '@/ui/words';

/** Has the addresses outside that links lead to looked at: in the background, and slowly. */
export function OutsideSheet({ collection }: { collection: string | null }) {
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [waiting, setWaiting] = useState<number | null>(null);
  const look = async () => {
    const sent = await send<{ waiting: number }>('/api/registers/look-outside', { collection });
    setProblem(sent.ok ? null : sent.problem);
    setWaiting(sent.ok ? sent.value.waiting : null);
  };
  const close = () => {
    setOpen(false);
    setProblem(null);
    setWaiting(null);
  };
  return (
    <>
      <Button $look="quiet" onPress={() => setOpen(true)}>
        Addresses outside…
      </Button>
      {open && (
        <Sheet title="Do addresses outside still answer?" open onClose={close} problem={problem}>
          <p>
            Every address outside that a link leads to here is asked for once, without reading what it says: one after another on each host,
            with two seconds between them, and as the host’s robots.txt has it. After that once a week.
          </p>
          <p>
            An address is only called gone where its host says so. Whatever does not answer, or asks for a password, is called not seen:
            readers may get there all the same.
          </p>
          <p role="status">
            {waiting !== null &&
              (waiting === 0
                ? 'All of them were looked at within a day.'
                : `${counted(waiting, 'address', 'addresses')} waiting to be looked at. You can go on; the lines say what came of it.`)}
          </p>
          <Row>
            <Button $look="main" isDisabled={waiting !== null} onPress={() => void look()}>
              Look at them
            </Button>
            <Button onPress={close}>Close</Button>
          </Row>
        </Sheet>
      )}
    </>
  );
}
