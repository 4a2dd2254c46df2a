'use client';
import { lookup, type Inputs, type RemedyName, type RemedyOffer } from '@inkwell/core';
import { useEffect, useMemo, useRef, useState, type FormEvent, type KeyboardEvent, type ReactNode } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Field';
import type { Answers, FindingKey, PageText } from '../engine/protocol';
import { useAnswer, type Engine } from '../engine/useEngine';
import type { AheadOf } from './ahead';
import { placeOf } from '../choose/place';
import { RemedyField } from './RemedyField';
import { BeforeAndAfter } from './Sides';
import { Warnings } from './Warnings';
import { ColourPanel, ImagePanel, UsedElsewhere } from './SubjectPanel';

const Form = styled.form`
  display: grid;
  gap: 0.65rem;
  margin-top: 0.75rem;
  padding-top: 0.75rem;
  border-top: 1px solid var(--line);
  min-width: 0;
  > * {
    min-width: 0;
  }
`;
/** The button stays in sight however long the form is. */
const Actions = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.5rem;
  align-items: center;
  position: sticky;
  bottom: 0;
  z-index: 1;
  margin: 0 -1.25rem;
  padding: 0.5rem 1.25rem;
  background: var(--sheet);
  box-shadow: 0 -1px 0 var(--line);
  @media (max-width: 60rem), (max-height: 30rem) {
    position: static;
  }
`;
const Quiet = styled.p`
  font-size: 0.875rem;
  color: var(--quiet);
`;
const Fields = styled.div`
  display: grid;
  gap: 0.65rem;
`;

export interface RemedyFormProps {
  /** Whose images are shown. */
  page: { pageId: number; collection: string };
  text: PageText;
  finding: FindingKey;
  busy: boolean;
  mayChange: boolean;
  applyLabel?: string;
  /** What is offered besides, for the fix that is chosen; whether that acts as it is filled in. */
  besides?(remedy: RemedyName, inputs: Inputs, acts: boolean): ReactNode;
  onApply(remedy: RemedyName, inputs: Inputs): Promise<unknown>;
  onSkip(): void;
  engine: Engine;
  /** What was typed ahead, where notes follow one another. */
  ahead?: AheadOf;
  /** What goes along with the fix. */
  also?: ReactNode;
}

/** The fixes of a note: choose one, fill it in, see before and after, apply and go on. */
export function RemedyForm({
  page,
  text,
  finding,
  engine,
  busy,
  mayChange,
  applyLabel = 'Apply, go to next',
  besides,
  onApply,
  onSkip,
  ahead,
  also,
}: RemedyFormProps) {
  const { found, usable, offer, inputs, preview, choose, fill } = useCorrection(text, finding, engine);

  // What is shown may still be of the text before the last key: what is typed now decides.
  const warnable = useMemo(() => warnedBy(text, finding, offer, inputs), [text, finding, offer, inputs]);
  const place = placeOf(page.collection, text);
  const applying = useRef(false);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (applying.current || busy || !found) return ahead?.add();
    if (!offer || !inputs || !mayChange) return ahead?.clear();
    applying.current = true;
    const fix = { page: text, finding, remedy: offer.name, inputs };
    if ((await engine.ask<'preview'>({ kind: 'preview', ...fix })).ok) {
      const applied = onApply(offer.name, inputs);
      void engine.ask<'expected'>({ kind: 'expected', ...fix }).catch(() => undefined);
      await applied;
    } else ahead?.clear();
    applying.current = false;
  };
  const form = useRef<HTMLFormElement>(null);
  const ready = found !== null && !busy;
  useEffect(() => {
    if (ready && !applying.current && ahead?.take()) form.current?.requestSubmit();
  }, [ready, ahead]);

  return (
    <Form
      ref={form}
      onSubmit={(event) => void submit(event)}
      onKeyDown={(event) => applyByEnter(event, offer)}
      aria-label="Fix"
      aria-busy={found === null}
    >
      {found && <SubjectOfNote page={page} found={found} usable={usable} chosen={offer?.name} inputs={inputs} onChoose={fill} />}
      <WhichRemedy found={found} usable={usable} chosen={offer?.name} onChoose={choose} />
      {offer && offer.fields.length > 0 && (
        <Fields>
          {offer.fields.map((field) => (
            <RemedyField
              key={field.name}
              field={field}
              value={lookup(inputs, field.name) ?? ''}
              place={place}
              onChange={(value) => fill(offer.name, { [field.name]: value })}
            />
          ))}
        </Fields>
      )}
      {also}
      <Warnings engine={engine} question={warnable} />
      {preview && <BeforeAndAfter preview={preview} />}
      <Actions>
        {offer && (
          <Button type="submit" $look="main" isDisabled={!mayChange} aria-disabled={busy || undefined}>
            {applyLabel}
          </Button>
        )}
        <Button onPress={onSkip}>Skip</Button>
        {offer && inputs && besides?.(offer.name, inputs, preview?.ok === true)}
        {!mayChange && <Quiet>You may look, not change: someone else has to be at the desk.</Quiet>}
      </Actions>
      {found?.image && <UsedElsewhere {...page} image={found.image} />}
    </Form>
  );
}

/** What is written by hand is looked at while it is written. */
function warnedBy(page: PageText, finding: FindingKey, offer: RemedyOffer | undefined, inputs: Inputs | undefined) {
  const writes = offer?.fields.some(({ kind, name }) => kind !== 'choice' && lookup(inputs, name)?.trim());
  return offer && inputs && writes ? { kind: 'warned' as const, page, finding, remedy: offer.name, inputs } : null;
}

/** One rule for every field: Enter applies, unless the field is made for several lines; with Ctrl or Command it applies there too. */
function applyByEnter(event: KeyboardEvent<HTMLFormElement>, offer: RemedyOffer | undefined): void {
  const box = event.target;
  if (event.key !== 'Enter' || event.defaultPrevented || event.nativeEvent.isComposing || !(box instanceof HTMLTextAreaElement)) return;
  const field = offer?.fields.find((one) => one.name === box.name);
  if (event.shiftKey || (field?.lines && !event.ctrlKey && !event.metaKey)) return;
  event.preventDefault();
  event.currentTarget.requestSubmit();
}

/** What is offered for a note, what is chosen and typed of it, and what would come of that. */
function useCorrection(text: PageText, key: FindingKey, engine: Engine) {
  const [name, setName] = useState<string | null>(null);
  const [typed, setTyped] = useState<Record<string, Inputs>>({});
  const found = useAnswer<'offers'>(
    engine,
    useMemo(() => ({ kind: 'offers', page: text, finding: key }), [text, key]),
    true,
  );
  const usable = found?.offers.filter((offer) => !offer.declines) ?? [];
  const offer = usable.find((one) => one.name === name) ?? usable[0];
  const inputs = offer ? (typed[offer.name] ?? offer.inputs) : undefined;
  const remedy = offer?.name;
  const preview = useAnswer<'preview'>(
    engine,
    useMemo(() => (remedy && inputs ? { kind: 'preview', page: text, finding: key, remedy, inputs } : null), [text, key, remedy, inputs]),
    true,
  );
  const fill = (remedy: string, values: Inputs) => {
    setName(remedy);
    setTyped((now) => ({
      ...now,
      [remedy]: { ...found?.offers.find((one) => one.name === remedy)?.inputs, ...lookup(now, remedy), ...values },
    }));
  };
  return { found, usable, offer, inputs, preview, choose: setName, fill };
}

interface SubjectOfNoteProps {
  page: RemedyFormProps['page'];
  found: Answers['offers'];
  usable: readonly RemedyOffer[];
  chosen: string | undefined;
  inputs: Inputs | undefined;
  onChoose(remedy: string, inputs: Inputs): void;
}

/** What a person has to see to choose well: the image in its surroundings, or the pair of colours. */
function SubjectOfNote({ page: { collection }, found: { image, subject }, usable, chosen, inputs, onChoose }: SubjectOfNoteProps) {
  if (subject?.kind === 'colour')
    return (
      <ColourPanel
        subject={subject}
        chosen={{ remedy: chosen, inputs }}
        usable={new Set(usable.map((one) => one.name))}
        onChoose={onChoose}
      />
    );
  return image && <ImagePanel collection={collection} image={image} subject={subject} alt={inputs?.alt} />;
}

function WhichRemedy({
  found,
  usable,
  chosen,
  onChoose,
}: {
  found: Answers['offers'] | null;
  usable: readonly RemedyOffer[];
  chosen: string | undefined;
  onChoose(name: string): void;
}) {
  if (usable.length > 1)
    return (
      <Choice
        label="Fix"
        hideLabel
        value={chosen ?? ''}
        onChange={onChoose}
        options={usable.map((one) => ({ value: one.name, label: one.label }))}
      />
    );
  return usable[0] ? <strong>{usable[0].label}</strong> : <Quiet>{whyNoneIsOffered(found)}</Quiet>;
}

function whyNoneIsOffered(found: Answers['offers'] | null): string {
  return found === null ? 'Looking for fixes…' : (found.offers[0]?.declines ?? found.fix);
}
