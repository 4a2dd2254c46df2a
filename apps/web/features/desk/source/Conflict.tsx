'use client';
import { mergeTexts, type Piece } from '@inkwell/core';
import { diffWordsWithSpace } from 'diff';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { When } from '@/ui/When';
import { counted } from '@/ui/words';
import type { SourceDraft } from './useSourceDraft';

const Section = styled.section`
  padding: 1rem 1.25rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  overflow: auto;
  min-height: 0;
  h2 {
    font-size: 1.25rem;
  }
  ol {
    margin: 0.75rem 0;
    padding: 0;
    list-style: none;
    display: grid;
    gap: 0.75rem;
  }
  li {
    padding: 0.75rem;
    border: 1px solid var(--line);
    border-left: 4px solid var(--gall);
  }
`;
const Both = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 18rem), 1fr));
  gap: 0.75rem;
  margin: 0.5rem 0;
  h4 {
    font-size: 0.875rem;
    margin-bottom: 0.2rem;
  }
  pre {
    margin: 0;
    padding: 0.5rem;
    max-height: 14rem;
    overflow: auto;
    background: var(--paper);
    border: 1px solid var(--line);
    font: 0.8125rem/1.5 var(--mono);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
  mark {
    background: var(--gallWash);
    color: var(--ink);
    text-decoration: underline;
    text-underline-offset: 2px;
  }
`;

type Apart = Extract<Piece, { kind: 'apart' }>;
type Side = 'mine' | 'theirs' | 'theirs, then mine';

const SIDES: { value: Side; label: string }[] = [
  { value: 'mine', label: 'Mine' },
  { value: 'theirs', label: 'Theirs' },
  { value: 'theirs, then mine', label: 'Both, theirs first' },
];

const takenFrom = (piece: Apart, side: Side) => (side === 'theirs, then mine' ? piece.theirs + piece.mine : piece[side]);

/**
 * Two people changed one page. What only one of them changed is in already; each place that both changed is shown from both sides, and
 * one is taken. Nothing is lost either way.
 */
export function Conflict({ draft, theirs }: { draft: SourceDraft; theirs: NonNullable<SourceDraft['theirs']> }) {
  // Where it is not known what both began at, everything that differs was changed by both.
  const pieces = useMemo(() => mergeTexts(theirs.base ?? '', draft.text, theirs.html), [theirs, draft.text]);
  const apart = pieces.filter((piece) => piece.kind === 'apart');
  const [sides, setSides] = useState<readonly Side[]>([]);
  const sideOf = (nth: number): Side => sides[nth] ?? 'mine';
  const together = () => {
    let nth = 0;
    return pieces.map((piece) => (piece.kind === 'apart' ? takenFrom(piece, sideOf(nth++)) : piece.text)).join('');
  };
  return (
    <Section aria-labelledby="conflict-heading">
      <h2 id="conflict-heading">Two versions of this page</h2>
      <p>
        {`You began at revision ${draft.base}; ${theirs.by} saved revision ${theirs.revision} `}
        <When at={theirs.at} />. {wordsFor(pieces)}
      </p>
      <ol aria-label="Places that both changed">
        {apart.map((piece, nth) => (
          <li key={nth}>
            <PieceApart
              piece={piece}
              name={`Place ${nth + 1} of ${apart.length}`}
              side={sideOf(nth)}
              onSide={(side) => setSides(apart.map((_, at) => (at === nth ? side : sideOf(at))))}
            />
          </li>
        ))}
      </ol>
      <Row>
        <Button
          $look="main"
          onPress={() => draft.settle({ mine: together() })}
        >{`Go on with this, on top of revision ${theirs.revision}`}</Button>
        <Button onPress={() => draft.settle('take theirs')}>Take theirs, drop mine</Button>
      </Row>
    </Section>
  );
}

function wordsFor(pieces: readonly Piece[]): string {
  const by = (side: 'mine' | 'theirs') => pieces.filter((piece) => piece.kind === 'agreed' && piece.by === side).length;
  const apart = pieces.filter((piece) => piece.kind === 'apart').length;
  const told = [by('mine') && `${counted(by('mine'), 'change')} of yours`, by('theirs') && `${counted(by('theirs'), 'change')} of theirs`];
  const alone = told.filter(Boolean).join(' and ');
  return `${counted(apart, 'place')} you both changed: choose for each.${alone ? ` ${alone} stand elsewhere, and are kept.` : ''}`;
}

interface PieceApartProps {
  piece: Apart;
  name: string;
  side: Side;
  onSide(side: Side): void;
}

/** One place as both have it, the words that differ marked, and which is taken. */
function PieceApart({ piece, name, side, onSide }: PieceApartProps) {
  const parts = useMemo(() => diffWordsWithSpace(piece.theirs, piece.mine), [piece]);
  const shown = (left: 'added' | 'removed', kept: 'added' | 'removed') =>
    parts
      .filter((part) => !part[left])
      .map((part, i) => (part[kept] ? <mark key={i}>{part.value}</mark> : <span key={i}>{part.value}</span>));
  return (
    <>
      <h3>{name}</h3>
      <Both>
        <div>
          <h4>Yours, not saved</h4>
          <pre tabIndex={0} role="region" aria-label={`${name}, yours`}>
            {piece.mine === '' ? <em>taken out</em> : shown('removed', 'added')}
          </pre>
        </div>
        <div>
          <h4>Theirs</h4>
          <pre tabIndex={0} role="region" aria-label={`${name}, theirs`}>
            {piece.theirs === '' ? <em>taken out</em> : shown('added', 'removed')}
          </pre>
        </div>
      </Both>
      <Choice label={`Take for ${name.toLowerCase()}`} value={side} onChange={(value) => onSide(value as Side)} options={SIDES} />
    </>
  );
}
