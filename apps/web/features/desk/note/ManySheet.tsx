'use client';
import type { Problem } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { counted } from '@/ui/words';
import type { FindingKey, Many, OneOfMany } from '../engine/protocol';
import { BeforeAndAfter } from './Sides';

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
    margin-top: 0.3rem;
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
  /** `without`: those that were unticked. */
  onFix(without: readonly FindingKey[]): Promise<boolean>;
}

const nameOf = ({ rule, path, start }: FindingKey) => `${rule} ${path} ${start}`;

/** What would become of several notes at once, before it is done: one revision, and one undo takes it all back. */
export function ManySheet({ title, open, found, none, busy, problem, onClose, onFix }: ManySheetProps) {
  const [unticked, setUnticked] = useState<ReadonlySet<string>>(new Set());
  const shown = found?.shown ?? [];
  const stays = shown.filter((one) => !one.preview.ok).length;
  const without = shown.filter((one) => one.preview.ok && unticked.has(nameOf(one.finding))).map((one) => one.finding);
  const more = found ? found.many - shown.length : 0;
  const fixes = (found?.many ?? 0) - stays - without.length;
  const tick = (name: string, on: boolean) => setUnticked((now) => new Set(on ? [...now].filter((one) => one !== name) : [...now, name]));
  return (
    <Sheet title={title} open={open} onClose={onClose} wide problem={problem}>
      {!found && <p role="status">Looking at each of them…</p>}
      {found && found.many === 0 && <p role="status">{none}</p>}
      {found && found.many > 0 && (
        <>
          <p role="status">{`${counted(fixes, 'note')} will be fixed as one revision; one undo takes it all back.${leftWords(stays, without.length)}`}</p>
          <List tabIndex={0} role="region" aria-label="What becomes of each">
            <ol>
              {shown.map((one) => (
                <OneRow key={nameOf(one.finding)} one={one} on={!unticked.has(nameOf(one.finding))} onTick={tick} />
              ))}
              {more > 0 && <li>{`and ${more} more`}</li>}
            </ol>
          </List>
        </>
      )}
      <Row>
        <Button $look="main" isDisabled={busy || fixes <= 0} onPress={() => void onFix(without).then((done) => done && onClose())}>
          {fixes <= 0 ? 'Fix all' : `Fix ${fixes === 1 ? 'it' : `all ${fixes}`}`}
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}

function leftWords(stays: number, unticked: number): string {
  return `${stays > 0 ? ` ${stays} cannot be fixed so and will stay.` : ''}${unticked > 0 ? ` ${unticked} you left out.` : ''}`;
}

function OneRow({ one, on, onTick }: { one: OneOfMany; on: boolean; onTick(name: string, on: boolean): void }) {
  const { preview, sentence, line, finding } = one;
  const words = `Line ${line}: ${sentence}`;
  return (
    <li>
      {preview.ok ? <Tick label={words} on={on} onChange={(next) => onTick(nameOf(finding), next)} /> : <b>{words}</b>}
      <div>
        <BeforeAndAfter preview={preview} markup={false} />
      </div>
    </li>
  );
}
