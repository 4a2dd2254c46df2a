'use client';
import type { DoorAnswers } from '@inkwell/core';
import { useEffect, useState } from 'react';
import { useEngine } from '@/features/desk/engine/useEngine';
import type { AtTheDoor } from '@/features/desk/engine/protocol';
import { BothSides, Questions, useAnswers } from '@/features/door/Cleaning';
import { Tick } from '@/ui/Field';
import { counted } from '@/ui/words';

const NOTHING: AtTheDoor = { questions: [], cleaned: { ok: false, reason: 'Looking at it …' } };

export interface PastedTextProps {
  source: string;
  marks: number;
  /** What it is cleaned by as it comes in; null: it comes in as it is. */
  onClean(answers: DoorAnswers | null): void;
}

/** A text that was pasted from a word processor or a page: cleaned as it comes in, if whoever brings it in says so. */
export function PastedText({ source, marks, onClean }: PastedTextProps) {
  const [on, setOn] = useState(false);
  const { questions, cleaned, answers, answer, missing } = useDoor(source, on);
  const ready = on && cleaned.ok;
  useEffect(() => {
    onClean(ready ? answers : null);
    return () => onClean(null);
  }, [ready, answers, onClean]);
  return (
    <section aria-label="Pasted markup">
      <p>{`It carries ${counted(marks, 'mark')} of pasting. Cleaned as it comes in, the text as it is now stays revision 1.`}</p>
      <Tick label="Clean it as it comes in" on={on} onChange={setOn} />
      {on && (
        <>
          <Questions questions={questions} answers={answers} onAnswer={answer} />
          {missing > 0 && (
            <p role="status">{`${counted(missing, 'answer is', 'answers are')} missing; without them it comes in as it is.`}</p>
          )}
          <BothSides html={source} cleaned={cleaned} />
        </>
      )}
    </section>
  );
}

/** Asked of the engine in its worker; an answer that comes too late is passed over. */
function useDoor(source: string, on: boolean) {
  const engine = useEngine();
  const [door, setDoor] = useState(NOTHING);
  const { answers, answer, missing } = useAnswers(door.questions, {});
  useEffect(() => {
    if (!on) return;
    let late = false;
    const given = Object.keys(answers).length > 0 ? answers : null;
    void engine.ask<'door'>({ kind: 'door', source, answers: given }).then((came) => {
      if (!late) setDoor(came);
    });
    return () => {
      late = true;
    };
  }, [engine, source, on, answers]);
  return { ...door, answers, answer, missing };
}
