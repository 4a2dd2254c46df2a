'use client';
import type { Mend, MendPart } from '@inkwell/core';
import type { CaseView, ThingLine } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice, TextBox, Tick } from '@/ui/Field';

import { counted } from '@/ui/words';
import { AddressField } from '../../desk/note/AddressField';
import { Apply } from './Apply';
import { Cases, caseKey, useTicked } from './Cases';
import { Outside } from './Outside';
import type { WishedParts } from './wished';
import type { Thing } from './useThing';

const Form = styled.form`
  display: grid;
  gap: 0.6rem;
  min-width: 0;
`;

interface CardProps {
  collection: string | null;
  line: ThingLine;
  thing: Thing;
  onDone(wish: WishedParts): void;
}

interface ChosenProps {
  cases: readonly CaseView[];
  mend: Mend | null;
  isDone(one: CaseView): boolean;
}

/** Uses that a change is for, but those where it is so already or that are left out. */
function partsOf({ cases, mend, isDone }: ChosenProps, chosen: ReadonlySet<string>): MendPart[] {
  if (mend === null) return [];
  return cases.flatMap((one) => (chosen.has(caseKey(one)) && !isDone(one) ? [{ thing: one.thing, alike: [one.case], mend }] : []));
}

const usesIn = (cases: readonly CaseView[], parts: readonly MendPart[]) =>
  cases.reduce((sum, one) => sum + (parts.some((part) => part.thing === one.thing && part.alike?.includes(one.case)) ? one.uses : 0), 0);

/** A link’s text and destination, for all its uses: what says the same in another language is left until somebody says so. */
export function LinkCard({ collection, line, thing, onDone }: CardProps) {
  const cases = thing.view?.cases ?? [];
  const language = String([...cases].sort((a, b) => b.uses - a.uses)[0]?.facts.language ?? '');
  const [text, setText] = useState(line.name);
  const [to, setTo] = useState(line.place);
  const [same, setSame] = useState(false);
  const { chosen, choose } = useTicked(cases, ({ facts }) => String(facts.language ?? '') === language);
  const mends: Mend[] = [
    ...(text.trim() !== '' && text.trim() !== line.name ? [{ do: 'text' as const, text: text.trim() }] : []),
    ...(to.trim() !== '' && to.trim() !== line.place ? [{ do: 'lead' as const, to: to.trim() }] : []),
    ...(same ? [{ do: 'same window' as const }] : []),
  ];
  const parts = mends.flatMap((mend) => partsOf({ cases, mend, isDone: () => false }, chosen));
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        if (parts.length > 0) onDone({ parts, renames: [] });
      }}
    >
      <TextBox label="Link text: what will the reader find there?" value={text} onChange={setText} />
      <AddressField
        label="Where it leads"
        value={to}
        place={{ collection: line.collections[0] ?? '', address: '', source: '' }}
        onChange={setTo}
      />
      {line.traits.includes('outside') && <Outside seen={line.outside} onLead={setTo} />}
      {line.traits.includes('new window') && <Tick label="Let it open in the same window" on={same} onChange={setSame} />}
      <Apply>
        <Button type="submit" $look="main" isDisabled={parts.length === 0}>
          {parts.length === 0 ? 'Apply' : `Apply to ${counted(usesIn(cases, parts), 'use')}`}
        </Button>
      </Apply>
      <Cases
        {...{ collection, cases, around: thing.around, chosen }}
        register="links"
        word={line.name || 'link'}
        onChoose={choose}
        mendOf={() => mends[0] ?? null}
        says={({ says, facts, place }) =>
          [place, says !== null && `title “${says}”`, facts.language !== undefined && `in ${String(facts.language)}`]
            .filter(Boolean)
            .join(', ')
        }
      />
    </Form>
  );
}

const LEVELS = [1, 2, 3, 4, 5, 6].map((level) => ({ value: String(level), label: String(level) }));

/** A heading’s level wherever it stands: where it differs, the odd ones out are ticked. */
export function HeadingCard({ collection, line, thing, onDone }: CardProps) {
  const cases = thing.view?.cases ?? [];
  const most = [...cases].sort((a, b) => b.uses - a.uses)[0]?.says ?? '2';
  const [level, setLevel] = useState<string | null>(null);
  const [text, setText] = useState(line.name);
  const wanted = level ?? most;
  const { chosen, choose } = useTicked(cases, () => true);
  const isDone = (one: CaseView) => one.says === wanted;
  const levels = partsOf({ cases, mend: { do: 'level', level: Number(wanted) }, isDone }, chosen);
  const reworded = text.trim() !== '' && text.trim() !== line.name;
  const texts = reworded ? partsOf({ cases, mend: { do: 'text', text: text.trim() }, isDone: () => false }, chosen) : [];
  const parts = reworded ? texts : levels;
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        if (parts.length > 0) onDone({ parts, renames: [] });
      }}
    >
      <Choice label="Level" value={wanted} onChange={setLevel} options={LEVELS} />
      <TextBox label="Text" value={text} onChange={setText} />
      <Apply>
        <Button type="submit" $look="main" isDisabled={parts.length === 0}>
          {parts.length === 0 ? 'All are so already' : `Apply to ${counted(usesIn(cases, parts), 'use')}`}
        </Button>
      </Apply>
      <Cases
        {...{ collection, cases, around: thing.around, chosen }}
        register="headings"
        word={line.name}
        onChoose={choose}
        mendOf={(one) => (reworded ? { do: 'text', text: text.trim() } : isDone(one) ? null : { do: 'level', level: Number(wanted) })}
        says={({ says }) => `Level ${says}`}
      />
    </Form>
  );
}
