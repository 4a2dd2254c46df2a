'use client';
import { TRAITS, type RegisterName } from '@inkwell/core';
import type { RegisterChoice, RegisterOrder } from '@inkwell/review';
import { useEffect, useRef, useState } from 'react';
import { Choice, Pick, SearchBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { OutsideSheet } from './OutsideSheet';
import { PaletteSheet } from './PaletteSheet';
import { GROUPINGS, ORDERS, SHAPES, statesOf, TRAIT_WORDS, type View } from './choice';

interface ControlsProps {
  collection: string | null;
  register: RegisterName;
  view: View;
  rules: readonly { rule: string; title: string }[];
  onChange(part: Partial<RegisterChoice> | { shape: View['shape'] }): void;
}

/** What of a register is shown, how it is put together and in which order: all of it stands in the address. */
export function Controls({ collection, register, view, rules, onChange }: ControlsProps) {
  const { choice, shape } = view;
  const [words, setWords] = useState(choice.words ?? '');
  const asked = useRef(choice.words ?? '');
  useEffect(() => {
    if (words.trim() === asked.current) return;
    const timer = setTimeout(() => {
      asked.current = words.trim();
      onChange({ words: words.trim() || undefined });
    }, 350);
    return () => clearTimeout(timer);
  });
  const narrowed = choice.trait
    ? `trait ${choice.trait}`
    : choice.rule
      ? `rule ${choice.rule}`
      : choice.state
        ? `state ${choice.state}`
        : '';
  const narrow = (value: string) => {
    const [of, ...rest] = value.split(' ');
    const named = rest.join(' ');
    onChange({
      trait: of === 'trait' ? named : undefined,
      rule: of === 'rule' ? named : undefined,
      state: of === 'state' ? (named as RegisterChoice['state']) : undefined,
    });
  };
  const states = statesOf(register).filter(({ value }) => value !== 'unused' || register === 'images');
  return (
    <Row role="search" aria-label="What is shown">
      <SearchBox label="Find" value={words} onChange={setWords} />
      <Pick
        label="Show"
        value={narrowed}
        onChange={narrow}
        options={[
          { value: '', label: 'Everything' },
          ...states.map(({ value, label }) => ({ value: `state ${value}`, label })),
          ...TRAITS[register].map((trait) => ({ value: `trait ${trait}`, label: TRAIT_WORDS[trait]! })),
          ...rules.map(({ rule, title }) => ({ value: `rule ${rule}`, label: title })),
        ]}
      />
      {GROUPINGS[register].length > 1 && (
        <Pick
          label="Together"
          value={choice.group ?? GROUPINGS[register][0]!.value}
          onChange={(group) => onChange({ group: group as RegisterChoice['group'] })}
          options={GROUPINGS[register]}
        />
      )}
      <Pick
        label="Order"
        value={choice.order ?? 'open'}
        onChange={(order) => onChange({ order: order as RegisterOrder })}
        options={ORDERS.filter(({ value }) => value !== 'size' || register === 'images')}
      />
      {register === 'links' && <OutsideSheet collection={collection} />}
      {register === 'colours' && <PaletteSheet collection={collection} />}
      {SHAPES[register] && (
        <Choice
          label="As"
          hideLabel
          value={shape}
          onChange={(next) => onChange({ shape: next as View['shape'] })}
          options={SHAPES[register]}
        />
      )}
    </Row>
  );
}
