'use client';
import type { Mend, RegisterName } from '@inkwell/core';
import type { RegisterChoice, ThingLine } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { HandOutSheet } from '@/features/docket/HandOutSheet';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { counted } from '@/ui/words';
import { THING_WORDS, type View } from './choice';
import { ManySheet } from './ManySheet';
import { NamesSheet } from './NamesSheet';
import { SheetButtons } from './SheetButtons';
import type { ChosenLines } from './useChosen';
import type { Mending } from './useMend';

const Bar = styled(Row)`
  padding: 0.4rem 0.75rem;
  background: var(--gallWash);
  border: 1px solid var(--line);
`;

interface ChosenProps {
  collection: string | null;
  register: RegisterName;
  choice: RegisterChoice;
  view: View;
  total: number;
  chosen: ChosenLines;
  /** Lines of the choice that are here. */
  loaded: readonly ThingLine[];
  mending: Mending;
}

/** What can be done to all that is chosen at once, by register. */
const ACTS: Record<RegisterName, readonly { label: string; mend: Mend }[]> = {
  images: [{ label: 'Mark as decorative', mend: { do: 'describe', alternative: '' } }],
  links: [{ label: 'Keep in the same window', mend: { do: 'same window' } }],
  headings: [2, 3, 4].map((level) => ({ label: `Set to level ${level}`, mend: { do: 'level' as const, level } })),
  tables: [],
  lists: [],
  colours: [],
  media: [],
  text: [],
};

/** What is done to things that were chosen together: looked at first, exceptions taken out, then done in one go. */
export function ChosenThings({ collection, register, choice, view, total, chosen, loaded, mending }: ChosenProps) {
  const [asked, setAsked] = useState<{ label: string; mend: Mend } | null>(null);
  const [naming, setNaming] = useState(false);
  const [handing, setHanding] = useState(false);
  const [said, setSaid] = useState('');
  const many = chosen.all ? total : chosen.set.size;
  if (many === 0)
    return (
      <Row>
        <span role="status">{said}</span>
        <SheetButtons {...{ collection, view, mending }} />
        <Button $look="quiet" onPress={chosen.chooseAll}>
          {`Choose all ${counted(total, ...THING_WORDS[register])}`}
        </Button>
      </Row>
    );
  return (
    <Bar role="group" aria-label="Chosen">
      <b role="status">{`${many.toLocaleString('en')} chosen`}</b>
      {[{ label: 'Fix what is certain', mend: { do: 'certain' as const } }, ...ACTS[register]].map((act) => (
        <Button key={act.label} onPress={() => setAsked(act)}>
          {act.label}
        </Button>
      ))}
      {register === 'images' && <Button onPress={() => setNaming(true)}>Rename the files</Button>}
      <Button onPress={() => setHanding(true)}>Hand out…</Button>
      <Button $look="quiet" onPress={chosen.clear}>
        Choose none
      </Button>
      {handing && (
        <HandOutSheet
          collection={collection}
          of={{ chosen: { choice, keys: chosen.all ? null : chosen.lines.map(({ key }) => key) } }}
          what={`All that is open on ${counted(many, ...THING_WORDS[register])}`}
          onClose={() => setHanding(false)}
          onDone={(words) => {
            setHanding(false);
            setSaid(words);
            chosen.clear();
          }}
        />
      )}
      {naming && (
        <NamesSheet
          {...{ collection, choice }}
          lines={chosen.all ? null : chosen.lines}
          problem={mending.problem}
          onClose={() => setNaming(false)}
          onDo={async (wish) => {
            if (!(await mending.begin(wish))) return;
            setNaming(false);
            chosen.clear();
          }}
        />
      )}
      {asked && (
        <ManySheet
          {...{ collection, register, choice }}
          title={`${asked.label}: ${many.toLocaleString('en')} chosen`}
          mend={asked.mend}
          lines={chosen.all ? loaded : chosen.lines}
          all={chosen.all}
          onClose={() => setAsked(null)}
          onDo={async (wish) => {
            if (!(await mending.begin(wish))) return;
            setAsked(null);
            chosen.clear();
          }}
          problem={mending.problem}
        />
      )}
    </Bar>
  );
}
