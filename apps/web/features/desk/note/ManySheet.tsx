'use client';
import type { Problem } from '@inkwell/review';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Sheet } from '@/ui/Sheet';
import { counted } from '@/ui/words';
import type { Many, OneOfMany } from '../engine/protocol';

const List = styled.div`
  max-height: min(26rem, 50vh);
  overflow: auto;
  border: 1px solid var(--line);
  &:focus-visible {
    outline-offset: -3px;
  }
  li {
    padding: 0.5rem 0.75rem;
    border-bottom: 1px solid var(--line);
    font-size: 0.875rem;
  }
  li > div {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(100%, 14rem), 1fr));
    gap: 0.2rem 1rem;
    margin-top: 0.2rem;
    color: var(--quiet);
    overflow-wrap: anywhere;
  }
  li b {
    font-weight: 600;
  }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
`;

export interface ManySheetProps {
  title: string;
  open: boolean;
  /** Null while the engine looks. */
  found: Many | null;
  none: string;
  busy: boolean;
  problem: Problem | null;
  onClose(): void;
  onFix(): Promise<boolean>;
}

/** What would become of several notes at once, before it is done: one revision, and one undo takes it all back. */
export function ManySheet({ title, open, found, none, busy, problem, onClose, onFix }: ManySheetProps) {
  const stays = found?.shown.filter((one) => !one.preview.ok).length ?? 0;
  const more = found ? found.many - found.shown.length : 0;
  const fixes = (found?.many ?? 0) - stays;
  return (
    <Sheet title={title} open={open} onClose={onClose} wide problem={problem}>
      {!found && <p role="status">Looking at each of them…</p>}
      {found && found.many === 0 && <p role="status">{none}</p>}
      {found && found.many > 0 && (
        <>
          <p>{`${counted(fixes, 'note')} will be fixed as one revision; one undo takes it all back.${stays > 0 ? ` ${stays} cannot be fixed so and will stay.` : ''}`}</p>
          <List tabIndex={0} role="region" aria-label="What becomes of each">
            <ol>
              {found.shown.map((one, i) => (
                <li key={i}>
                  <b>{`Line ${one.line}: ${one.sentence}`}</b>
                  <Outcome one={one} />
                </li>
              ))}
              {more > 0 && <li>{`and ${more} more`}</li>}
            </ol>
          </List>
        </>
      )}
      <Row>
        <Button $look="main" isDisabled={busy || fixes === 0} onPress={() => void onFix().then((done) => done && onClose())}>
          {fixes === 0 ? 'Fix all' : `Fix ${fixes === 1 ? 'it' : `all ${fixes}`}`}
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}

function Outcome({ one: { preview } }: { one: OneOfMany }) {
  if (!preview.ok) return <div>{preview.reason}</div>;
  const say = (words: string) => (words ? `“${words}”` : 'nothing is said');
  return (
    <div>
      <span>{`Now: ${say(preview.now.spoken)}`}</span>
      <span>{`Then: ${say(preview.then.spoken)}`}</span>
    </div>
  );
}
