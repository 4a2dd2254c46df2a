'use client';
import dynamic from 'next/dynamic';
import type { RemedyOffer } from '@inkwell/core';
import { Choice, Pick, TextBox } from '@/ui/Field';
import type { PagePlace } from '../choose/place';
import { AddressField } from './AddressField';

/** Fetched where a language is asked for. */
const LanguageField = dynamic(() => import('@/ui/LanguageField').then((found) => found.LanguageField), { ssr: false });

/** More choices than this stand in a list that folds. */
const MOST_BUTTONS = 6;

/** One thing that a fix asks for. */
export function RemedyField({
  field,
  value,
  place,
  onChange,
}: {
  field: RemedyOffer['fields'][number];
  value: string;
  /** Where the page stands, for what is chosen from its collection. */
  place: PagePlace;
  onChange(value: string): void;
}) {
  // A remedy names the common ones; any other will do as well.
  if (field.name === 'language') return <LanguageField label={field.label} value={value} onChange={onChange} />;
  if (field.name === 'href') return <AddressField label={field.label} value={value} place={place} onChange={onChange} />;
  if (field.kind === 'choice') {
    const options = field.options ?? [];
    const Chooser = options.length > MOST_BUTTONS ? Pick : Choice;
    return <Chooser label={field.label} value={value} onChange={onChange} options={options} />;
  }
  return (
    <TextBox
      label={field.label}
      name={field.name}
      value={value}
      onChange={onChange}
      passage={field.kind === 'passage'}
      hint={lengthHint(field.hint, value)}
    />
  );
}

function lengthHint(hint: string | undefined, value: string | undefined): string | undefined {
  return hint === undefined ? undefined : `${hint} ${value ? `${[...value].length} characters.` : ''}`;
}
