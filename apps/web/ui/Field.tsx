'use client';
import type { ReactNode } from 'react';
import { Checkbox, Input, Label, Radio, RadioGroup, Text, TextArea, TextField } from 'react-aria-components';
import styled, { css } from 'styled-components';

export const fieldBox = css`
  width: 100%;
  padding: 0.4rem 0.6rem;
  border: 1px solid var(--edge);
  border-radius: var(--round);
  background: var(--sheet);
  color: var(--ink);
  font: 400 0.9375rem/1.4 var(--sans);
`;
const StyledInput = styled(Input)`
  ${fieldBox} min-height: 2.125rem;
`;
const StyledArea = styled(TextArea)<{ $code?: boolean }>`
  ${fieldBox} resize: vertical;
  min-height: 3.5rem;
  ${({ $code }) => $code && 'font: 0.8125rem/1.5 var(--mono);'}
`;
export const fieldLabel = css`
  display: block;
  font-weight: 600;
  font-size: 0.875rem;
  margin-bottom: 0.2rem;
`;
const StyledLabel = styled(Label)`
  ${fieldLabel}
`;
export const fieldHint = css`
  display: block;
  font-size: 0.8125rem;
  color: var(--quiet);
  margin-top: 0.2rem;
`;
const Hint = styled(Text)`
  ${fieldHint}
`;

export interface TextBoxProps {
  label: string;
  value: string;
  onChange(value: string): void;
  hint?: ReactNode;
  passage?: boolean;
  code?: boolean;
  rows?: number;
  name?: string;
  required?: boolean;
  /** What a browser may fill it with, and what it shows of it. */
  type?: 'text' | 'email' | 'password';
  autoComplete?: string;
  inputMode?: 'numeric';
  readOnly?: boolean;
  /** Whether one begins here, where a field takes the place of another. */
  autoFocus?: boolean;
  onPaste?(event: React.ClipboardEvent<HTMLTextAreaElement>): void;
}

export function TextBox({ label, value, onChange, hint, passage, code, rows, required, readOnly, onPaste, ...given }: TextBoxProps) {
  return (
    <TextField
      value={value}
      onChange={onChange}
      {...given}
      {...(required ? { isRequired: true } : {})}
      {...(readOnly ? { isReadOnly: true } : {})}
    >
      <StyledLabel>{label}</StyledLabel>
      {passage ? (
        <StyledArea rows={rows ?? 2} $code={code ?? false} {...(onPaste ? { onPaste } : {})} spellCheck={!code} />
      ) : (
        <StyledInput />
      )}
      {hint && <Hint slot="description">{hint}</Hint>}
    </TextField>
  );
}

const Row = styled(RadioGroup)`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.4rem 0;
  .choice {
    display: inline-flex;
    align-items: center;
    min-height: 2rem;
    padding: 0.25rem 0.75rem;
    margin-right: -1px;
    border: 1px solid var(--edge);
    background: var(--sheet);
    font-size: 0.875rem;
    cursor: pointer;
  }
  .choice[data-hovered] {
    background: var(--gallWash);
  }
  .choice[data-selected] {
    background: var(--gallWash);
    font-weight: 700;
    box-shadow: inset 0 -3px 0 var(--gall);
  }
  .choice[data-focus-visible] {
    outline: 3px solid var(--gall);
    outline-offset: 2px;
    z-index: 1;
  }
`;
const RowLabel = styled(Label)<{ $hidden: boolean }>`
  font-weight: 600;
  font-size: 0.875rem;
  margin-right: 0.6rem;
  ${({ $hidden }) => $hidden && 'position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%);'}
`;

export interface ChoiceProps {
  label: string;
  hideLabel?: boolean;
  value: string;
  onChange(value: string): void;
  options: readonly { value: string; label: string }[];
}

/** One of a few, side by side: chosen with the arrow keys. */
export function Choice({ label, hideLabel = false, value, onChange, options }: ChoiceProps) {
  return (
    <Row value={value} onChange={onChange} orientation="horizontal">
      <RowLabel $hidden={hideLabel}>{label}</RowLabel>
      {options.map((option) => (
        <Radio key={option.value} value={option.value} className="choice">
          {option.label}
        </Radio>
      ))}
    </Row>
  );
}

const Beside = styled.label`
  display: inline-flex;
  align-items: center;
  gap: 0.4rem;
  color: var(--quiet);
  font-size: 0.875rem;
  select,
  input {
    background: var(--sheet);
    color: var(--ink);
    border: 1px solid var(--edge);
    border-radius: var(--round);
    min-height: 1.75rem;
    max-width: 14rem;
  }
  input {
    width: 10rem;
    padding: 0 0.4rem;
  }
`;

/** One of several, in a list that folds. */
export function Pick({ label, value, onChange, options }: Omit<ChoiceProps, 'hideLabel'>) {
  return (
    <Beside>
      {label}
      <select value={value} onChange={(event) => onChange(event.target.value)}>
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    </Beside>
  );
}

const TickLabel = styled(Checkbox)`
  display: inline-flex;
  gap: 0.4rem;
  align-items: center;
  min-height: 1.75rem;
  font-size: 0.875rem;
  cursor: pointer;
  &::before {
    content: '';
    flex: none;
    width: 1rem;
    height: 1rem;
    border: 2px solid var(--ink);
    border-radius: 2px;
  }
  &[data-selected]::before {
    background: var(--gall);
    box-shadow: inset 0 0 0 3px var(--sheet);
  }
  &[data-focus-visible] {
    outline: 3px solid var(--gall);
    outline-offset: 2px;
  }
`;

export interface TickProps {
  label: string;
  /** Its name, where no words stand beside it. */
  name?: string;
  on: boolean;
  disabled?: boolean;
  onChange(on: boolean): void;
}

export function Tick({ label, name, on, disabled, onChange }: TickProps) {
  return (
    <TickLabel isSelected={on} isDisabled={disabled ?? false} onChange={onChange} {...(name ? { 'aria-label': name } : {})}>
      {label}
    </TickLabel>
  );
}

interface BesideProps {
  label: string;
  value: string;
  onChange(value: string): void;
}

function BesideBox({ label, value, onChange, type }: BesideProps & { type: 'search' | 'date' | 'text' }) {
  return (
    <Beside>
      {label}
      <input type={type} value={value} onChange={(event) => onChange(event.target.value)} />
    </Beside>
  );
}

/** A few words by which a list is narrowed. */
export function SearchBox(props: BesideProps) {
  return <BesideBox {...props} type="search" />;
}

/** A day, beside its label. */
export function DayBox(props: BesideProps) {
  return <BesideBox {...props} type="date" />;
}

/** A few words, beside their label. */
export function WordBox(props: BesideProps) {
  return <BesideBox {...props} type="text" />;
}
