'use client';
import { criterionOf, REMEDIES } from '@inkwell/core';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import { Day } from '@/ui/When';
import { counted, FAMILY_WORDS } from '@/ui/words';
import { keyOf, pageTextOf } from '../engine/pageText';
import type { Engine } from '../engine/useEngine';
import { fixForm } from '../keys';
import { useAheadOf, type Ahead } from './ahead';
import type { AskedCriterion } from './CriterionPane';
import { HandedLine } from './HandedLine';
import { AllAlike } from './AllAlike';
import { ExceptionForm } from './ExceptionForm';
import { isOpen, isToJudge } from './filter';
import { OnManyPages, useSameSlip } from './OnManyPages';
import { RemedyForm } from './RemedyForm';
import { Ruling } from './Ruling';
import { companionsOf, useVisit, Visit } from './Visit';
import type { Permissions } from '../StandingLine';
import type { DeskActions, DeskState, Numbered } from '../useDesk';

/** As high as it needs, as far as the list leaves it room; then it scrolls by itself. */
const Section = styled.section`
  padding: 0.6rem 1.25rem 0;
  background: var(--sheet);
  border-bottom: 1px solid var(--line);
  && {
    flex: 0 1 auto;
  }
  min-height: 0;
  overflow-y: auto;
  scroll-padding-bottom: 4rem;
  @media (max-width: 60rem), (max-height: 30rem) {
    overflow: visible;
    padding-bottom: 0.75rem;
  }
  h2 {
    font-size: 1.25rem;
    margin: 0.4rem 0 0.3rem;
  }
  h2:focus {
    outline: none;
  }
  h2:focus-visible {
    outline: 3px solid var(--gall);
  }
`;
const Top = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.5rem;
  align-items: center;
  font-size: 0.875rem;
  color: var(--quiet);
  b {
    color: var(--ink);
  }
  > span:last-child {
    margin-left: auto;
  }
  button {
    min-height: 1.5rem;
    padding: 0;
    font-weight: 400;
  }
`;
const Aside = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.5rem;
  margin: 0.25rem 0 0.5rem -0.4rem;
`;

export interface NoteInHandProps {
  state: DeskState;
  actions: DeskActions;
  engine: Engine;
  can: Permissions;
  inHand: Numbered;
  ahead: Ahead;
  onCriterion(asked: AskedCriterion): void;
}

/** One note: what is wrong, who it hurts, the question if it is one, and the fix with its before and after. */
export function NoteInHand({ state, actions, engine, can, inHand, ahead, onCriterion }: NoteInHandProps) {
  const { number, note } = inHand;
  const text = useMemo(() => pageTextOf(state.desk), [state.desk]);
  const finding = useMemo(() => keyOf(note), [note]);
  const companions = useMemo(() => companionsOf(note, state.desk.notes.filter(isOpen)), [note, state.desk]);
  const visit = useVisit();
  const aheadHere = useAheadOf(ahead, note.id);
  const [excepting, setExcepting] = useState(false);
  const pages = useSameSlip(state.desk.pageId, state.desk.version, note);
  const many = {
    pageId: state.desk.pageId,
    collection: state.desk.collection.slug,
    note,
    pages,
    onOpen: actions.dismiss,
    onDone: () => void actions.lookAgain(),
  };
  const criterion = criterionOf(note.criteria[0] ?? '');
  return (
    <Section aria-labelledby="note-heading">
      <Top>
        <Drop weight={note.weight} size={18} />
        <b>{WEIGHT_WORDS[note.weight]}</b>
        <span>{`${FAMILY_WORDS[note.family]} · note ${number}, ${state.desk.notes.filter(isOpen).length} open`}</span>
        {criterion && (
          <span>
            <Button
              $look="quiet"
              onPress={() => onCriterion({ criterion: criterion.id, rule: note.rule })}
            >{`${criterion.id} ${criterion.title}`}</Button>
          </span>
        )}
      </Top>
      <h2 id="note-heading" tabIndex={-1} onKeyDown={(event) => event.key === 'Enter' && fixForm()?.requestSubmit()}>
        {note.sentence}
      </h2>
      <p>{note.why}</p>
      <HandedLine key={note.id} note={note} desk={state.desk} may={can.handOut} onDone={() => void actions.lookAgain()} />
      {pages.length > 1 && <p>{`The same slip stands in an equal piece on ${counted(pages.length - 1, 'other page')}.`}</p>}
      <Ruling
        note={note}
        disabled={!can.rule || state.busy}
        onAnswer={(answer) => void actions.rule(note, answer)}
        onTakeBack={() => void actions.takeBack(note)}
      />
      <RemedyForm
        page={{ pageId: state.desk.pageId, collection: state.desk.collection.slug }}
        text={text}
        finding={finding}
        engine={engine}
        busy={state.busy}
        mayChange={can.change}
        onApply={(remedy, inputs) =>
          visit.parts.length > 0 ? actions.fixTogether(note, [{ note, remedy, inputs }, ...visit.parts]) : actions.fix(note, remedy, inputs)
        }
        onSkip={() => actions.step(1)}
        ahead={aheadHere}
        {...(visit.parts.length > 0 ? { applyLabel: `Apply all ${visit.parts.length + 1}, go to next` } : {})}
        also={
          <Visit
            note={note}
            companions={companions}
            text={text}
            engine={engine}
            collection={state.desk.collection.slug}
            mayChange={can.change}
            onFill={visit.set}
          />
        }
        besides={(remedy, inputs, acts) => (
          <>
            <AllAlike
              state={state}
              note={note}
              engine={engine}
              text={text}
              finding={finding}
              remedy={remedy}
              inputs={inputs}
              mayChange={can.change}
              onOpen={actions.dismiss}
              onFix={(chosen, values, without) => actions.fixAlike(note, chosen, values, without)}
            />
            <OnManyPages
              {...many}
              key={`fix ${note.id}`}
              stroke={{ act: 'fix', label: REMEDIES[remedy].label, remedy, inputs }}
              disabled={!can.change || state.busy || !acts}
            />
          </>
        )}
      />
      <Aside>
        <Button $look="quiet" onPress={() => actions.setFace('source')}>{`To its line in Source, ${note.at.line}`}</Button>
        <Button
          $look="quiet"
          data-act="exception"
          isDisabled={!can.letStand || state.busy}
          onPress={() => {
            actions.dismiss();
            setExcepting(true);
          }}
        >
          Let it stand for a time…
        </Button>
        <Button $look="quiet" data-act="theme" isDisabled={!can.rule || state.busy} onPress={() => void actions.setElsewhere(note, true)}>
          For the theme or host
        </Button>
        {isToJudge(note) && (
          <OnManyPages {...many} key={`answer ${note.id}`} stroke={{ act: 'no problem' }} disabled={!can.rule || state.busy} />
        )}
        <OnManyPages {...many} key={`theme ${note.id}`} stroke={{ act: 'elsewhere' }} disabled={!can.rule || state.busy} />
      </Aside>
      <PartlyExcepted note={note} disabled={!can.letStand || state.busy} onEnd={() => void actions.endException(note)} />
      <ExceptionForm
        open={excepting}
        sentence={note.sentence}
        busy={state.busy}
        problem={state.problem}
        onClose={() => setExcepting(false)}
        onGrant={(reason, until) => actions.letStand(note, reason, until)}
      />
    </Section>
  );
}

/** Where some of its places have an exception, and others are open. */
function PartlyExcepted({ note, disabled, onEnd }: { note: Numbered['note']; disabled: boolean; onEnd(): void }) {
  const { exception, standing } = note;
  if (!exception || standing === 'excepted') return null;
  return (
    <Aside>
      <span>
        {'Some of its places have an exception until '}
        <Day day={exception.until} />
        {` by ${exception.by}, “${exception.reason}”`}
      </span>
      <Button $look="quiet" isDisabled={disabled} onPress={onEnd}>
        End these exceptions
      </Button>
    </Aside>
  );
}
