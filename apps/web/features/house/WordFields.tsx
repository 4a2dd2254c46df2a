'use client';
import type { Vocabulary } from '@inkwell/core';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import styled from 'styled-components';
import { TextBox } from '@/ui/Field';
import { WORDS } from './differences';
import type { StandardDraft } from './useStandard';

const Fields = styled.fieldset`
  display: grid;
  gap: 0.75rem;
  border: 0;
  padding: 0;
  margin: 0;
`;

const LISTS = ['vagueLinks', 'placeholders', 'fileNames', 'fillers', 'allowedClasses'] as const satisfies (keyof Vocabulary)[];
const linesOf = (text: string) => [...new Set(text.split('\n').map((line) => line.trim()))].filter(Boolean);

/** The house's own words: each line one of them. What they change is seen once its pages have been audited with them. */
export function WordFields({ standard, disabled }: { standard: StandardDraft; disabled: boolean }) {
  const { draft, say, set } = standard;
  return (
    <section aria-labelledby="words-heading">
      <h2 id="words-heading">Words</h2>
      <Fields disabled={disabled}>
        <Lines
          key={`plain ${draft.selection.name}`}
          label={WORDS.plainLinkTexts!}
          value={draft.selection.plainLinkTexts ?? []}
          onChange={(lines) => set('', { plainLinkTexts: lines })}
        />
        {LISTS.map((name) => (
          <Lines key={name} label={WORDS[name]!} value={draft.vocabulary[name] ?? []} onChange={(lines) => say({ [name]: lines })} />
        ))}
      </Fields>
      <p>
        {`Colours of the house: ${(draft.vocabulary.colours ?? []).length}. `}
        <Link href="/registers/colours">They are kept in the register of colours</Link>
      </p>
    </section>
  );
}

/** A list that is written as lines, and read when it is left. */
function Lines({ label, value, onChange }: { label: string; value: readonly string[]; onChange(lines: string[]): void }) {
  const [text, setText] = useState(value.join('\n'));
  const change = (next: string) => {
    setText(next);
    onChange(linesOf(next));
  };
  return <TextBox label={`${label}, one on each line`} value={text} onChange={change} passage rows={3} />;
}
