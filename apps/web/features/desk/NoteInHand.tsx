'use client';
import { criterionOf, ruleOf } from '@inkwell/core';
import Link from 'next/link';
import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import { FAMILY_WORDS } from '@/ui/words';
import type { Engine } from './engine/useEngine';
import { RemedyForm } from './RemedyForm';
import type { Permissions } from './StandingLine';
import type { DeskActions, DeskState, Numbered } from './useDesk';

const Section = styled.section`padding: 0.9rem 1.25rem 1rem; background: var(--sheet); border-bottom: 1px solid var(--line); h2 { font-size: 1.25rem; margin: 0.4rem 0 0.3rem; } h2:focus { outline: none; } h2:focus-visible { outline: 3px solid var(--gall); }`;
const Top = styled.div`
  display: flex; flex-wrap: wrap; gap: 0.2rem 0.5rem; align-items: center; font-size: 0.875rem; color: var(--quiet);
  b { color: var(--ink); } > span:last-child { margin-left: auto; } a { display: inline-block; padding: 0.15rem 0; }
`;
const Question = styled.div`margin-top: 0.6rem; padding: 0.6rem 0.75rem; border: 1px dashed var(--edge); p { font-weight: 600; } div { display: flex; flex-wrap: wrap; gap: 0.5rem; margin-top: 0.5rem; }`;

export interface NoteInHandProps {
  state: DeskState;
  actions: DeskActions;
  engine: Engine;
  can: Permissions;
  inHand: Numbered;
}

/** One note: what is wrong, who it hurts, the question if it is one, and the correction with its before and after. */
export function NoteInHand({ state, actions, engine, can, inHand }: NoteInHandProps) {
  const { number, note } = inHand;
  const heading = useRef<HTMLHeadingElement>(null);
  const moveFocus = useRef(false);
  const rule = ruleOf(note.rule);
  const criterion = criterionOf(note.criteria[0] ?? '');
  useEffect(() => {
    // After a correction the button that had focus is gone: the next note takes it.
    if (moveFocus.current) heading.current?.focus();
    moveFocus.current = false;
  }, [note.id]);
  const settle = async (acting: Promise<boolean>) => {
    moveFocus.current = true;
    if (!(await acting)) moveFocus.current = false;
  };
  return (
    <Section aria-labelledby="note-heading">
      <Top>
        <Drop weight={note.weight} size={18} />
        <b>{WEIGHT_WORDS[note.weight]}</b>
        <span>{`${FAMILY_WORDS[note.family]} · note ${number} of ${state.desk.notes.filter((one) => one.standing !== 'ruled out').length}`}</span>
        {criterion && <span><Link href={`/criteria/${criterion.id}`}>{`${criterion.id} ${criterion.title}`}</Link></span>}
      </Top>
      <h2 id="note-heading" ref={heading} tabIndex={-1}>{note.sentence}</h2>
      {rule && <p>{rule.why}</p>}
      {note.outcome === 'cantTell' && rule?.question && (
        <Question role="group" aria-label="Question">
          <p>{rule.question.ask}</p>
          {note.ruled === 'stands' ? (
            <div><span>{`${rule.question.yes}, says ${note.ruling?.by ?? 'someone'}.`}</span><Button $look="quiet" isDisabled={!can.rule} onPress={() => void actions.takeBack(note)}>Take the answer back</Button></div>
          ) : (
            <div>
              <Button isDisabled={!can.rule || state.busy} onPress={() => void settle(actions.rule(note, 'stands'))}>{rule.question.yes}</Button>
              <Button isDisabled={!can.rule || state.busy} onPress={() => void settle(actions.rule(note, 'no problem'))}>{rule.question.no}</Button>
            </div>
          )}
        </Question>
      )}
      <RemedyForm key={note.id} desk={state.desk} note={note} engine={engine} busy={state.busy} mayChange={can.change} onApply={(remedy, inputs) => settle(actions.mend(note, remedy, inputs))} onSkip={() => actions.step(1)} />
    </Section>
  );
}
