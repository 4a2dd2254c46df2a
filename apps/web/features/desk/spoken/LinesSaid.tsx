'use client';
import type { SpokenLine } from '@inkwell/core';
import { useEffect, useMemo, useRef, type KeyboardEvent } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import type { DeskActions, DeskState } from '../useDesk';
import { NoteChip } from '../note/NoteChip';
import { notesByLine } from './notesByLine';

const List = styled.ol`
  padding: 0.5rem 0;
`;
const Line = styled.li<{ $current: boolean }>`
  display: grid;
  grid-template-columns: 3rem minmax(0, 1fr) auto;
  gap: 0.25rem 0.75rem;
  align-items: start;
  padding: 0 1rem 0 0;
  background: ${({ $current }) => ($current ? 'var(--gallWash)' : 'none')};
  > span {
    text-align: right;
    color: var(--quiet);
    font-size: 0.8125rem;
    padding-top: 0.35rem;
  }
  > button {
    text-align: left;
    border: 0;
    background: none;
    padding: 0.25rem 0;
    min-height: 1.75rem;
    font: 400 1rem/1.5 var(--serif);
    cursor: pointer;
    overflow-wrap: anywhere;
  }
  > button:focus-visible {
    outline-offset: 0;
  }
  > div {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem;
    justify-content: end;
    padding-top: 0.1rem;
  }
  @media (max-width: 40rem) {
    grid-template-columns: 2rem minmax(0, 1fr);
    > div {
      grid-column: 2;
      justify-content: start;
      padding-bottom: 0.25rem;
    }
    > div:empty {
      display: none;
    }
  }
`;
const Unsaid = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 0.5rem;
  padding: 0.4rem 1rem;
  border-bottom: 1px solid var(--line);
  font-size: 0.875rem;
  color: var(--quiet);
`;

export interface LinesSaidProps {
  lines: readonly SpokenLine[];
  at: number;
  onAt(index: number): void;
  state: DeskState;
  actions: DeskActions;
}

/** What is said, in order: the arrow keys go from line to line, and each leads to its place on the proof and to its notes. */
export function LinesSaid({ lines, at, onAt, state, actions }: LinesSaidProps) {
  const list = useRef<HTMLOListElement>(null);
  const { at: notes, unsaid } = useMemo(() => notesByLine(lines, state.open), [lines, state.open]);
  const path = state.inHand?.note.at.path;
  useEffect(() => {
    // The note in hand comes into view at its line.
    const found = [...notes].find(([, ones]) => ones.some((one) => one.note.at.path === path));
    if (found) onAt(found[0]);
  }, [path, notes, onAt]);
  useEffect(() => void list.current?.children[at]?.scrollIntoView({ block: 'nearest' }), [at]);

  const go = (event: KeyboardEvent, index: number) => {
    const to = { ArrowDown: index + 1, ArrowUp: index - 1, Home: 0, End: lines.length - 1 }[event.key];
    if (to === undefined || to < 0 || to >= lines.length) return;
    event.preventDefault();
    onAt(to);
    list.current?.querySelectorAll<HTMLElement>('[data-line]')[to]?.focus();
  };
  if (lines.length === 0) return <Unsaid>Nothing is said of this page.</Unsaid>;
  return (
    <>
      {unsaid.length > 0 && (
        <Unsaid role="group" aria-label="Notes on what is not said">
          Not said in a line of its own:{' '}
          {unsaid.map((one) => (
            <NoteChip key={one.note.id} one={one} inHand={state.inHand} onChoose={actions.choose} />
          ))}
        </Unsaid>
      )}
      <List ref={list} aria-label="The page as it is said">
        {lines.map((line, i) => (
          <Line key={i} $current={i === at}>
            <span aria-hidden="true">{i + 1}</span>
            <button
              type="button"
              data-line
              tabIndex={i === at ? 0 : -1}
              aria-current={i === at ? 'true' : undefined}
              onFocus={() => onAt(i)}
              onClick={() => onAt(i)}
              onKeyDown={(event) => go(event, i)}
              onDoubleClick={() => actions.point(line.path)}
            >
              {line.says}
            </button>
            <div>
              {(notes.get(i) ?? []).map((one) => (
                <NoteChip key={one.note.id} one={one} inHand={state.inHand} onChoose={actions.choose} />
              ))}
              {i === at && (
                <Button $look="quiet" onPress={() => actions.point(line.path)} aria-label={`Show on the proof: ${line.says.slice(0, 60)}`}>
                  On the proof
                </Button>
              )}
            </div>
          </Line>
        ))}
      </List>
    </>
  );
}
