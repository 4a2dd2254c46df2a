'use client';

import { lookup, familyOf, RULES, type Settings, type Weight } from '@inkwell/core';
import { useState } from 'react';
import styled from 'styled-components';
import { SearchBox, Tick } from '@/ui/Field';
import { FAMILIES, FAMILY_WORDS } from '@/ui/words';
import type { StandardDraft } from './useStandard';

const Rules = styled.ul`
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1rem;
    align-items: center;
    padding: 0.2rem 0;
    border-top: 1px solid var(--line);
    font-size: 0.875rem;
  }
  li > span {
    flex: 1 1 16rem;
  }
  select {
    min-height: 1.75rem;
    border: 1px solid var(--edge);
    border-radius: var(--round);
    background: var(--sheet);
    color: var(--ink);
  }
`;
const Folded = styled.details`
  margin-top: 0.3rem;
  summary {
    min-height: 1.75rem;
    cursor: pointer;
  }
  h3 {
    display: inline;
    font: 600 0.9375rem/1.4 var(--sans);
  }
`;

interface WeightsProps {
  standard: StandardDraft;
  type: string;
  disabled: boolean;
}

/** How much each rule weighs in this house, whether it is asked at all, and whether two people have to answer it. */
export function RuleWeights({ standard, type, disabled }: WeightsProps) {
  const [words, setWords] = useState('');
  const found = (title: string) => title.toLowerCase().includes(words.trim().toLowerCase());
  const { selection } = standard.draft;
  const own: Partial<Settings> = type === '' ? selection : (lookup(selection.contentTypes, type) ?? {});
  return (
    <section aria-labelledby="weights-heading">
      <h2 id="weights-heading">Rules</h2>
      <SearchBox label="Find a rule" value={words} onChange={setWords} />
      {FAMILIES.map((family) => {
        const rules = RULES.filter((rule) => familyOf(rule) === family && found(rule.title));
        const set = rules.filter(({ id }) => lookup(own.weights, id) !== undefined).length;
        if (rules.length === 0) return null;
        return (
          <Folded key={family} open={words.trim() !== '' ? true : undefined}>
            <summary>
              <h3>{`${FAMILY_WORDS[family]} (${rules.length}${set > 0 ? `, ${set} set` : ''})`}</h3>
            </summary>
            <Rules>
              {rules.map((rule) => (
                <li key={rule.id}>
                  <span>{rule.title}</span>
                  <select
                    aria-label={`Weight of “${rule.title}”`}
                    disabled={disabled}
                    value={lookup(own.weights, rule.id) ?? ''}
                    onChange={({ target }) => {
                      const others = Object.entries(own.weights ?? {}).filter(([id]) => id !== rule.id);
                      const weight = target.value as Weight | 'off' | '';
                      standard.set(type, { weights: Object.fromEntries(weight === '' ? others : [...others, [rule.id, weight]]) });
                    }}
                  >
                    <option value="">{type === '' ? `usual: ${rule.weight}` : 'as for all pages'}</option>
                    {['must', 'should', 'consider', 'off'].map((one) => (
                      <option key={one} value={one}>
                        {one === 'off' ? 'not asked' : one}
                      </option>
                    ))}
                  </select>
                  {rule.question && !disabled && (
                    <Tick
                      label="two answers"
                      name={`two answers to “${rule.title}”`}
                      on={(own.twoAnswers ?? selection.twoAnswers ?? []).includes(rule.id)}
                      onChange={(on) => {
                        const now = (own.twoAnswers ?? selection.twoAnswers ?? []).filter((id) => id !== rule.id);
                        standard.set(type, { twoAnswers: on ? [...now, rule.id] : now });
                      }}
                    />
                  )}
                </li>
              ))}
            </Rules>
          </Folded>
        );
      })}
    </section>
  );
}
