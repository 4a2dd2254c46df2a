'use client';
import { lookup, type Inputs, type RemedyName, type RemedyOffer } from '@inkwell/core';
import type { Note } from '@inkwell/review';
import { useEffect, useMemo, useState } from 'react';
import styled from 'styled-components';
import { Choice, Tick } from '@/ui/Field';
import { keyOf } from '../engine/pageText';
import type { PageText } from '../engine/protocol';
import { useAnswer, type Engine } from '../engine/useEngine';
import { placeOf, type PagePlace } from '../choose/place';
import { RemedyField } from './RemedyField';
import { Warnings } from './Warnings';

const Group = styled.fieldset`
  display: grid;
  gap: 0.5rem;
  margin: 0;
  padding: 0.4rem 0.75rem 0.6rem;
  border: 1px solid var(--line);
  legend {
    font-weight: 600;
    font-size: 0.875rem;
    padding: 0 0.3rem;
  }
`;
const Fields = styled.div`
  display: grid;
  gap: 0.5rem;
  padding-left: 1.4rem;
`;

/** What things are called whose notes make one visit. */
const THINGS: Readonly<Record<string, string>> = { images: 'image', links: 'link', tables: 'table', forms: 'field', media: 'medium' };

/** Open notes that speak of the very thing a note speaks of. */
export function companionsOf(note: Note, open: readonly Note[]): Note[] {
  if (!(note.family in THINGS)) return [];
  return open.filter((one) => one.id !== note.id && one.family === note.family && one.at.path === note.at.path && one.outcome === 'failed');
}

/** A companion's fix as it is filled in. */
export interface Filled {
  note: Note;
  remedy: RemedyName;
  inputs: Inputs;
}

/** What of a visit goes along with the fix in hand. */
export function useVisit() {
  const [parts, setParts] = useState<ReadonlyMap<number, Filled>>(new Map());
  const [set] = useState(
    () => (id: number, part: Filled | null) =>
      setParts((now) => {
        const next = new Map(now);
        if (part) next.set(id, part);
        else next.delete(id);
        return next;
      }),
  );
  return { parts: [...parts.values()], set };
}

interface VisitProps {
  note: Note;
  companions: readonly Note[];
  text: PageText;
  engine: Engine;
  /** The collection's address in the application. */
  collection: string;
  mayChange: boolean;
  onFill(id: number, part: Filled | null): void;
}

/** Everything else that is wrong with the same image, link, table or field: each fix is filled in here, and goes along with one Apply. */
export function Visit({ note, companions, ...each }: VisitProps) {
  if (companions.length === 0) return null;
  return (
    <Group>
      <legend>{`Also on this ${THINGS[note.family]}`}</legend>
      {companions.map((one) => (
        <Companion key={one.id} note={one} {...each} />
      ))}
    </Group>
  );
}

function Companion({ note, text, engine, collection, mayChange, onFill }: Omit<VisitProps, 'companions'>) {
  const finding = useMemo(() => keyOf(note), [note]);
  const found = useAnswer<'offers'>(
    engine,
    useMemo(() => ({ kind: 'offers', page: text, finding }), [text, finding]),
  );
  const usable = useMemo(() => found?.offers.filter((offer) => !offer.declines) ?? [], [found]);
  const [name, setName] = useState<string | null>(null);
  const offer = usable.find((one) => one.name === name) ?? usable[0];
  const [typed, setTyped] = useState<Inputs>({});
  const inputs = useMemo(() => ({ ...offer?.inputs, ...typed }), [offer, typed]);
  const [on, setOn] = useState(false);
  const ready = offer?.fields.every((field) => lookup(inputs, field.name)?.trim()) === true;
  const goes = on && ready;
  useEffect(() => onFill(note.id, goes && offer ? { note, remedy: offer.name, inputs } : null), [note, goes, offer, inputs, onFill]);
  const typing = goes && offer.fields.some(({ kind }) => kind !== 'choice');
  const warnable = useMemo(
    () => (typing && offer ? { kind: 'warned' as const, page: text, finding, remedy: offer.name, inputs } : null),
    [typing, offer, text, finding, inputs],
  );
  // What is no longer wrong with it does not go along.
  useEffect(() => () => onFill(note.id, null), [note.id, onFill]);
  if (!offer) return null;
  const fill = (values: Inputs) => {
    setTyped((now) => ({ ...now, ...values }));
    setOn(Object.values(values).some((value) => value.trim() !== ''));
  };
  return (
    <div>
      <Tick label={`${note.sentence}${on && !ready ? ' (fill it in first)' : ''}`} on={on && mayChange} onChange={setOn} />
      {on && <FieldsOf usable={usable} offer={offer} inputs={inputs} place={placeOf(collection, text)} onChoose={setName} onFill={fill} />}
      {on && <Warnings engine={engine} question={warnable} />}
    </div>
  );
}

interface FieldsProps {
  usable: readonly RemedyOffer[];
  offer: RemedyOffer;
  inputs: Inputs;
  place: PagePlace;
  onChoose(name: string): void;
  onFill(values: Inputs): void;
}

function FieldsOf({ usable, offer, inputs, place, onChoose, onFill }: FieldsProps) {
  return (
    <Fields>
      {usable.length > 1 && (
        <Choice
          label="Fix"
          hideLabel
          value={offer.name}
          onChange={onChoose}
          options={usable.map((one) => ({ value: one.name, label: one.label }))}
        />
      )}
      {offer.fields.map((field) => (
        <RemedyField
          key={field.name}
          field={field}
          value={lookup(inputs, field.name) ?? ''}
          place={place}
          onChange={(value) => onFill({ [field.name]: value })}
        />
      ))}
    </Fields>
  );
}
