'use client';
import type { OutlineLine } from '@inkwell/core';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { counted } from '@/ui/words';
import type { DeskActions, DeskState } from '../useDesk';
import { levelOf, moved, repaired, troubles, withLevel, type Wanted } from './levels';
import { useKept, type Kept } from './kept';
import { useLevelDrag } from './useLevelDrag';

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem;
  padding: 0.6rem 1rem;
  p {
    font-size: 0.875rem;
    color: var(--quiet);
    flex-basis: 100%;
  }
`;
const Tree = styled.ol`
  padding-bottom: 0.75rem;
  border-top: 1px solid var(--line);
`;
const STEP = 1.6;
const Row = styled.li<{ $level: number }>`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.1rem 0.4rem;
  padding: 0.15rem 1rem;
  border-bottom: 1px solid var(--line);
  > .line {
    flex: 1 1 12rem;
    display: flex;
    gap: 0.6rem;
    align-items: baseline;
    min-height: 1.875rem;
    text-align: left;
    border: 0;
    background: none;
    padding: 0.2rem 0.3rem;
    margin-left: min(${({ $level }) => Math.max(0, $level - 1) * STEP}rem, ${({ $level }) => Math.max(0, $level - 1) * 5}vw);
    touch-action: pan-y;
    cursor: ew-resize;
  }
  > .line b {
    font: 700 0.8125rem var(--sans);
    color: var(--gall);
    white-space: nowrap;
  }
  > .line span {
    font: 400 1rem/1.4 var(--serif);
    overflow-wrap: anywhere;
  }
  > .line em {
    font: 400 0.8125rem var(--sans);
    color: var(--quiet);
  }
  > .line strong {
    font: 600 0.8125rem var(--sans);
    color: var(--rubric);
  }
  > .less,
  > .more {
    min-width: 1.75rem;
    justify-content: center;
    padding-inline: 0.2rem;
  }
`;
const None = styled.p`
  padding: 1rem 1.25rem;
`;

export interface HeadingTreeProps {
  lines: readonly OutlineLine[];
  state: DeskState;
  actions: DeskActions;
  mayChange: boolean;
  kept: Kept;
}

/**
 * The outline with what only looks like a heading in it. Right and left arrow, drag or the buttons change a level; nothing is changed on
 * the page until it is applied.
 */
export function HeadingTree({ lines, state, actions, mayChange, kept }: HeadingTreeProps) {
  const { scope } = state.desk;
  const [wanted, setWanted] = useKept<Wanted>(kept, 'levels', new Map());
  const [at, setAt] = useState(0);
  const [said, setSaid] = useState('');
  const list = useRef<HTMLOListElement>(null);
  const wrong = useMemo(() => troubles(lines, wanted, scope), [lines, wanted, scope]);
  const proposal = useMemo(() => repaired(lines, wanted, scope), [lines, wanted, scope]);
  const toRepair = lines.filter((line) => levelOf(line, proposal) !== levelOf(line, wanted)).length;
  const drag = useLevelDrag((index, by) => shift(index, by));

  const want = (index: number, next: Wanted) => {
    if (!mayChange) return;
    setWanted(next);
    setSaid(`${lines[index]!.text}: ${levelWords(lines[index]!, next)}`);
  };
  const shift = (index: number, by: 1 | -1) => want(index, moved(lines, wanted, index, by));
  const keys = (event: KeyboardEvent, index: number) => {
    const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key] as 1 | -1 | undefined;
    const to = { ArrowDown: index + 1, ArrowUp: index - 1, Home: 0, End: lines.length - 1 }[event.key];
    if (step) shift(index, step);
    else if (event.key === 'Delete') want(index, withLevel(wanted, lines[index]!, 0));
    else if (to !== undefined && lines[to]) list.current?.querySelectorAll<HTMLElement>('.line')[to]?.focus();
    else return;
    event.preventDefault();
  };

  if (lines.length === 0) return <None>This page has no headings, and no line that looks like one.</None>;
  return (
    <>
      <Bar>
        <Button isDisabled={toRepair === 0 || !mayChange} onPress={() => setWanted(proposal)}>
          {toRepair > 0 ? `Propose the least repair: ${toRepair} to change` : 'No level to repair'}
        </Button>
        <Button
          $look="main"
          isDisabled={wanted.size === 0 || !mayChange || state.busy}
          onPress={() => void actions.arrange({ kind: 'levels', levels: [...wanted].map(([path, level]) => ({ path, level })) })}
        >
          {wanted.size === 0 ? 'Nothing to apply' : `Apply ${counted(wanted.size, 'change')}`}
        </Button>
        <Button isDisabled={wanted.size === 0} onPress={() => setWanted(new Map())}>
          Set back
        </Button>
        <p>Right and left arrow make a line deeper or less deep, Delete makes it plain text; or drag it sideways.</p>
      </Bar>
      <Tree ref={list} aria-label="Headings in order">
        {lines.map((line, i) => {
          const level = levelOf(line, wanted);
          return (
            <Row key={line.path} $level={level ?? 2}>
              <button
                type="button"
                className="line"
                tabIndex={i === at ? 0 : -1}
                onFocus={() => setAt(i)}
                onKeyDown={(event) => keys(event, i)}
                {...drag(i)}
              >
                <b>{level === null ? 'no heading' : `level ${level}`}</b>
                <span>{line.text || <em>no text</em>}</span>
                {wanted.has(line.path) ? (
                  <em>{line.level === null ? 'was no heading' : `was level ${line.level}`}</em>
                ) : (
                  line.level === null && <strong>looks like a heading</strong>
                )}
                {wrong.has(line.path) && <strong>{wrong.get(line.path)}</strong>}
              </button>
              <Button className="less" aria-label={`Less deep: ${line.text}`} isDisabled={!mayChange} onPress={() => shift(i, -1)}>
                ‹
              </Button>
              <Button className="more" aria-label={`Deeper: ${line.text}`} isDisabled={!mayChange} onPress={() => shift(i, 1)}>
                ›
              </Button>
              <Button $look="quiet" aria-label={`Show on the proof: ${line.text}`} onPress={() => actions.point(line.path)}>
                On the proof
              </Button>
            </Row>
          );
        })}
      </Tree>
      <p role="status" className="aside-from-view">
        {said}
      </p>
    </>
  );
}

function levelWords(line: OutlineLine, wanted: Wanted): string {
  const level = levelOf(line, wanted);
  return level === null ? 'plain text, no heading' : `level ${level}`;
}
