'use client';
import { criterionOf } from '@inkwell/core';
import type { Note } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { WEIGHT_WORDS } from '@/ui/Drop';
import { Pick, SearchBox } from '@/ui/Field';
import { FAMILIES, FAMILY_WORDS } from '@/ui/words';
import { filters, NO_FILTER, STANDINGS, WEIGHTS, type NoteFilter } from './filter';

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.75rem;
  align-items: center;
  padding: 0 1.25rem 0.5rem;
`;
/** The rarer ways in one line: the note in hand needs the room more. */
const Rarer = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.6rem;
  flex-basis: 100%;
  select {
    width: 5.6rem;
  }
  input {
    width: 4.6rem;
  }
`;
const STANDING_WORDS: Partial<Record<(typeof STANDINGS)[number], string>> = {
  specialist: 'waits for a specialist',
  mine: 'handed to me',
};
const ALL = { value: '', label: 'all' };

/** Narrows the list of notes, and with it what next and before step through. */
export function Filters({ notes, filter, onChange }: { notes: readonly Note[]; filter: NoteFilter; onChange(filter: NoteFilter): void }) {
  const families = FAMILIES.filter((one) => notes.some((note) => note.family === one));
  const criteria = [...new Set(notes.flatMap((note) => note.criteria))].sort((a, b) => a.localeCompare(b, 'en', { numeric: true }));
  const [more, setMore] = useState(filter.standing !== '' || filter.criterion !== '' || filter.words !== '');
  const set = (part: Partial<NoteFilter>) => onChange({ ...filter, ...part });
  return (
    <Bar role="search" aria-label="Narrow the notes">
      <Pick
        label="Family"
        value={filter.family}
        onChange={(family) => set({ family: family as NoteFilter['family'] })}
        options={[ALL, ...families.map((one) => ({ value: one, label: FAMILY_WORDS[one] }))]}
      />
      <Pick
        label="Weight"
        value={filter.weight}
        onChange={(weight) => set({ weight: weight as NoteFilter['weight'] })}
        options={[ALL, ...WEIGHTS.map((one) => ({ value: one, label: WEIGHT_WORDS[one].toLowerCase() }))]}
      />
      <Button $look="quiet" aria-expanded={more} onPress={() => setMore(!more)}>
        {more ? 'Fewer ways' : 'More ways'}
      </Button>
      {filters(filter) && (
        <Button $look="quiet" onPress={() => onChange(NO_FILTER)}>
          Show all
        </Button>
      )}
      {more && (
        <Rarer>
          <Pick
            label="Standing"
            value={filter.standing}
            onChange={(standing) => set({ standing: standing as NoteFilter['standing'] })}
            options={[ALL, ...STANDINGS.map((one) => ({ value: one, label: STANDING_WORDS[one] ?? one }))]}
          />
          <Pick
            label="Criterion"
            value={filter.criterion}
            onChange={(criterion) => set({ criterion })}
            options={[ALL, ...criteria.map((one) => ({ value: one, label: `${one} ${criterionOf(one)?.title ?? ''}` }))]}
          />
          <SearchBox label="Words" value={filter.words} onChange={(words) => set({ words })} />
        </Rarer>
      )}
    </Bar>
  );
}
