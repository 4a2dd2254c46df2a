'use client';
import type { Inputs, RemedyName } from '@inkwell/core';
import type { Note } from '@inkwell/review';
import { useMemo, useState } from 'react';
import { Button } from '@/ui/Button';
import { keyOf } from '../engine/pageText';
import type { FindingKey, PageText } from '../engine/protocol';
import { useAnswer, type Engine } from '../engine/useEngine';
import type { DeskState } from '../useDesk';
import { isOpen } from './filter';
import { ManySheet } from './ManySheet';

/** Outcomes shown one by one before the rest is only counted. */
const SHOWN_OF_MANY = 30;

export interface AllAlikeProps {
  state: DeskState;
  note: Note;
  engine: Engine;
  text: PageText;
  finding: FindingKey;
  remedy: RemedyName;
  inputs: Inputs;
  mayChange: boolean;
  onOpen(): void;
  onFix(remedy: RemedyName, inputs: Inputs, without: readonly FindingKey[]): Promise<boolean>;
}

/** The same slip in other places of the page: how many there are, what becomes of each, and all of them at once. */
export function AllAlike({ state, note, engine, text, finding, remedy, inputs, mayChange, onOpen, onFix }: AllAlikeProps) {
  const [open, setOpen] = useState(false);
  const among = useMemo(() => state.desk.notes.filter((one) => one.rule === note.rule && isOpen(one)).map(keyOf), [state.desk, note.rule]);
  const count = useAnswer<'alike'>(
    engine,
    useMemo(
      () => (among.length > 1 ? { kind: 'alike', page: text, finding, remedy, inputs: {}, among, shown: 0 } : null),
      [text, finding, remedy, among],
    ),
  );
  const found = useAnswer<'alike'>(
    engine,
    useMemo(
      () => (open ? { kind: 'alike', page: text, finding, remedy, inputs, among, shown: SHOWN_OF_MANY } : null),
      [open, text, finding, remedy, inputs, among],
    ),
  );
  if (!count || count.many < 2) return null;
  return (
    <>
      <Button
        data-act="alike"
        isDisabled={!mayChange || state.busy}
        onPress={() => {
          onOpen();
          setOpen(true);
        }}
      >{`All ${count.many} like this…`}</Button>
      <ManySheet
        title={`All ${count.many} like this: ${note.title}`}
        open={open}
        found={found}
        none="None of them can be fixed so."
        busy={state.busy}
        problem={state.problem}
        onClose={() => setOpen(false)}
        onFix={(without) => onFix(remedy, inputs, without)}
      />
    </>
  );
}
