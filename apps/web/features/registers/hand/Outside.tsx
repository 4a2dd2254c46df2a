'use client';
import type { OutsideView } from '@inkwell/review';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { When } from '@/ui/When';

/** How the address outside that a link leads to was found, and a way to let the link lead where it lies now. */
export function Outside({ seen, onLead }: { seen: OutsideView | null; onLead(to: string): void }) {
  if (!seen) return <p>Nobody has looked yet whether this address answers.</p>;
  const { state, words, movedTo, lookedAt, seenAt } = seen;
  if (state === 'seen')
    return (
      <p>
        It answered <When at={lookedAt} />.
      </p>
    );
  if (movedTo !== null)
    return (
      <Row>
        <span>
          Its host says, <When at={lookedAt} />, that it lies at {movedTo} for good.
        </span>
        <Button onPress={() => onLead(movedTo)}>Lead there</Button>
      </Row>
    );
  return (
    <p>
      <b>{state === 'gone' ? 'Gone: ' : 'Not seen: '}</b>
      it {words} (<When at={lookedAt} />
      ).{' '}
      {seenAt === null ? (
        'It was never seen.'
      ) : (
        <>
          {'Last seen '}
          <When at={seenAt} />.
        </>
      )}
      {state === 'unsure' && ' Readers may get there all the same: try it yourself.'}
    </p>
  );
}
