'use client';
import { lookup, USUAL_THRESHOLDS, type Profile, type Settings, type Weight } from '@inkwell/core';
import styled from 'styled-components';
import { Pick, Tick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { WORDS } from './differences';
import type { StandardDraft } from './useStandard';

const Fields = styled.fieldset`
  display: grid;
  gap: 0.6rem;
  border: 0;
  padding: 0;
  margin: 0;
`;
const Limit = styled.label`
  display: inline-flex;
  gap: 0.4rem;
  align-items: center;
  font-size: 0.875rem;
  input {
    width: 5.5rem;
    min-height: 1.75rem;
    padding: 0 0.4rem;
    border: 1px solid var(--edge);
    border-radius: var(--round);
    background: var(--sheet);
    color: var(--ink);
  }
`;
const Label = styled.p`
  font-weight: 600;
  font-size: 0.875rem;
`;

const WEIGHTS: readonly Weight[] = ['must', 'should', 'consider'];
const STANDARDS = ['WCAG 2.0', 'WCAG 2.1', 'WCAG 2.2'] as const;
const LEVELS = ['A', 'AA', 'AAA'] as const;

interface FieldsProps {
  standard: StandardDraft;
  /** The content type that is set; '' for all pages. */
  type: string;
  disabled: boolean;
}

/** What is asked, what holds publication, the limits, and who may let what stand. */
export function BarFields({ standard, type, disabled }: FieldsProps) {
  const { selection } = standard.draft;
  const own: Partial<Settings> = type === '' ? selection : (lookup(selection.contentTypes, type) ?? {});
  const holds = own.holds ?? selection.holds;
  return (
    <section aria-labelledby="bar-heading">
      <h2 id="bar-heading">{type === '' ? 'What is asked' : `What differs for content type ${type}`}</h2>
      <Fields disabled={disabled}>
        {type === '' && (
          <Row>
            <Pick
              label="Standard"
              value={selection.standard}
              onChange={(one) => standard.change({ standard: one as Profile['standard'] })}
              options={STANDARDS.map((one) => ({ value: one, label: one }))}
            />
            <Pick
              label="Level"
              value={selection.level}
              onChange={(one) => standard.change({ level: one as Profile['level'] })}
              options={LEVELS.map((one) => ({ value: one, label: one }))}
            />
          </Row>
        )}
        <Label>Publication is held while this is open</Label>
        <Row>
          {WEIGHTS.map((weight) => (
            <Tick
              key={weight}
              label={weight}
              on={holds.includes(weight)}
              onChange={(on) => standard.set(type, { holds: WEIGHTS.filter((one) => (one === weight ? on : holds.includes(one))) })}
            />
          ))}
          {type === '' && (
            <Tick
              label="a question nobody answered"
              on={selection.questionsHold !== false}
              onChange={(on) => standard.change({ questionsHold: on })}
            />
          )}
        </Row>
        <Label>Limits</Label>
        <Row>
          {(Object.keys(USUAL_THRESHOLDS) as (keyof typeof USUAL_THRESHOLDS)[]).map((name) => (
            <Limit key={name}>
              {WORDS[name]}
              <input
                type="number"
                min={0}
                value={own.thresholds?.[name] ?? selection.thresholds?.[name] ?? USUAL_THRESHOLDS[name]}
                onChange={({ target }) => standard.set(type, { thresholds: { ...own.thresholds, [name]: target.valueAsNumber || 0 } })}
              />
            </Limit>
          ))}
        </Row>
        {type === '' && <Exceptions standard={standard} />}
      </Fields>
    </section>
  );
}

const WHO = [
  { value: '', label: 'reviewers and administrators' },
  { value: 'administrator', label: 'administrators' },
  { value: 'nobody', label: 'nobody' },
];

/** Who may let findings of each weight stand, and for how long. */
function Exceptions({ standard }: { standard: StandardDraft }) {
  const { exceptions = {} } = standard.draft.selection;
  const set = (weight: Weight, part: object) =>
    standard.change({ exceptions: { ...exceptions, [weight]: { ...exceptions[weight], ...part } } });
  return (
    <>
      <Label>May be let stand</Label>
      {WEIGHTS.map((weight) => {
        const { by, days } = exceptions[weight] ?? {};
        return (
          <Row key={weight}>
            <Pick
              label={`${weight}, by`}
              value={by === undefined || by.length > 1 ? '' : (by[0] ?? 'nobody')}
              onChange={(who) => set(weight, { by: who === '' ? undefined : who === 'nobody' ? [] : [who] })}
              options={WHO}
            />
            <Limit>
              {`${weight}, days at most`}
              <input
                type="number"
                min={1}
                max={731}
                value={days ?? ''}
                placeholder="731"
                onChange={({ target }) => set(weight, { days: target.value === '' ? undefined : target.valueAsNumber })}
              />
            </Limit>
          </Row>
        );
      })}
    </>
  );
}
