'use client';
import { lookup, type Pasted } from '@inkwell/core';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Pick } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';

const Lines = styled.ol`
  max-height: min(22rem, 50vh);
  overflow: auto;
  border: 1px solid var(--line);
  li {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0.3rem 1rem;
    align-items: center;
    padding: 0.4rem 0.75rem;
    border-bottom: 1px solid var(--line);
  }
  b {
    font-family: var(--serif);
    overflow-wrap: anywhere;
  }
`;
const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
`;
const OPTIONS = [
  { value: '0', label: 'plain text, in bold' },
  ...[2, 3, 4, 5, 6].map((level) => ({ value: String(level), label: `a heading of level ${level}` })),
];

export interface PasteSheetProps {
  bold: Pasted['bold'];
  onClose(): void;
  onAnswer(levels: { path: string; level: number }[]): void;
}

/** Bold lines in what is pasted: only whoever pastes them knows which of them head something. */
export function PasteSheet({ bold, onClose, onAnswer }: PasteSheetProps) {
  const [levels, setLevels] = useState<Record<string, string>>({});
  return (
    <Sheet
      title={bold.length === 1 ? 'A bold line: does it head what follows?' : 'Bold lines: do they head what follows?'}
      open
      onClose={onClose}
      wide
    >
      <Lines>
        {bold.map(({ path, text }) => (
          <li key={path}>
            <b>{text}</b>
            <Pick
              label="It is"
              value={lookup(levels, path) ?? '0'}
              onChange={(level) => setLevels({ ...levels, [path]: level })}
              options={OPTIONS}
            />
          </li>
        ))}
      </Lines>
      <Row>
        <Button
          $look="main"
          onPress={() =>
            onAnswer(
              bold.flatMap(({ path }) => (Number(lookup(levels, path) ?? 0) > 0 ? [{ path, level: Number(lookup(levels, path)) }] : [])),
            )
          }
        >
          Put it in
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}
