'use client';
import { stepOf, STEPS } from '@inkwell/core';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import type { DeskActions, DeskState } from '../useDesk';
import { isOpen } from './filter';

/** One line whatever its width: the list below it is what one works by. */
const Strip = styled.div`
  display: flex;
  gap: 0.3rem;
  overflow-x: auto;
  padding: 4px 1.25rem 0.4rem;
  font-size: 0.8125rem;
`;
const Looked = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.15rem 0.5rem;
  align-items: center;
  padding: 0 1.25rem 0.4rem;
  font-size: 0.8125rem;
`;
const Step = styled.button<{ $chosen: boolean; $done: boolean }>`
  flex: none;
  min-height: 1.75rem;
  padding: 0 0.45rem;
  border: 1px solid var(--line);
  border-radius: var(--round);
  background: ${({ $chosen }) => ($chosen ? 'var(--gallWash)' : 'var(--sheet)')};
  color: var(--ink);
  font: inherit;
  cursor: pointer;
  box-shadow: ${({ $chosen }) => ($chosen ? 'inset 0 -3px 0 var(--gall)' : 'none')};
  text-decoration: ${({ $done }) => ($done ? 'underline double' : 'none')};
  text-underline-offset: 3px;
`;

/** The walk through the page in practitioners’ order: a step narrows the notes, and is marked as looked at whether or not any was found. */
export function StepStrip({ state, actions, mayLook }: { state: DeskState; actions: DeskActions; mayLook: boolean }) {
  const { desk, filter, busy } = state;
  const open = desk.notes.filter(isOpen);
  const current = desk.looked.filter(({ revision }) => revision === desk.revision.number);
  const chosen = STEPS.find(({ id }) => id === filter.step);
  const whoLooked = chosen ? current.filter(({ step }) => step === chosen.id).map(({ by }) => by) : [];
  return (
    <div role="group" aria-label="Steps">
      <Strip>
        {STEPS.map(({ id, name }) => {
          const many = open.filter((note) => stepOf(note.family) === id).length;
          const done = current.some(({ step }) => step === id);
          return (
            <Step
              key={id}
              type="button"
              $chosen={id === filter.step}
              $done={done}
              aria-pressed={id === filter.step}
              onClick={() => actions.setFilter({ ...filter, family: '', step: id === filter.step ? '' : id })}
            >
              {name}
              {many > 0 && ` ${many}`}
              {done && <span className="aside-from-view">, looked at</span>}
            </Step>
          );
        })}
      </Strip>
      {chosen && (
        <Looked>
          <Button
            $look="quiet"
            isDisabled={busy || !mayLook}
            onPress={() => void actions.lookAt(chosen.id, whoLooked.length === 0)}
          >{`${whoLooked.length > 0 ? 'Not looked at after all' : 'I have looked at'}: ${chosen.name}`}</Button>
          {whoLooked.length > 0 && <span>{`Looked at by ${whoLooked.join(', ')}`}</span>}
        </Looked>
      )}
    </div>
  );
}
