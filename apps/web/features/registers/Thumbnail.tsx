'use client';
import type { ThingLine } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';

const Frame = styled.span<{ $side: number }>`
  flex: none;
  display: grid;
  place-items: center;
  width: ${({ $side }) => $side}px;
  height: ${({ $side }) => $side}px;
  border: 1px solid var(--line);
  background: #fff;
  color: #3f4858;
  font-size: 0.6875rem;
  line-height: 1.1;
  text-align: center;
  overflow: hidden;
  img {
    max-width: 100%;
    max-height: 100%;
  }
`;

/** An image small, or why it is not to be seen. What it shows is said beside it, as the page says it: so it has no text of its own. */
export function Thumbnail({ line, side }: { line: Pick<ThingLine, 'sha256' | 'traits' | 'width'>; side: number }) {
  const [lost, setLost] = useState<string | null>(null);
  const { sha256 } = line;
  return (
    <Frame $side={side} aria-hidden="true">
      {sha256 !== null && line.width !== null && lost !== sha256 ? (
        <img src={`/thumbnail/${sha256}`} alt="" loading="lazy" onError={() => setLost(sha256)} />
      ) : line.traits.includes('borrowed') ? (
        'on its host'
      ) : sha256 === null ? (
        'no file'
      ) : (
        'not drawn yet'
      )}
    </Frame>
  );
}
