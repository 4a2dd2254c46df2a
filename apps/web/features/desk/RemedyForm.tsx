'use client';
import { ruleOf, type Inputs, type RemedyOffer } from '@inkwell/core';
import type { Desk, Note } from '@inkwell/review';
import { useEffect, useMemo, useState, type FormEvent } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice, TextBox } from '@/ui/Field';
import type { FindingKey, PageText, Preview, Side } from './engine/protocol';
import type { Engine } from './engine/useEngine';
import { proofAddress } from './Proof';

const Form = styled.form`display: grid; gap: 0.65rem; margin-top: 0.75rem; padding-top: 0.75rem; border-top: 1px solid var(--line);`;
const Sides = styled.div`display: grid; grid-template-columns: repeat(auto-fit, minmax(min(100%, 13rem), 1fr)); gap: 0.6rem;`;
const SideBox = styled.div`
  border: 1px solid var(--line); background: var(--paper); padding: 0.5rem 0.65rem; font-size: 0.875rem; min-width: 0;
  h3 { font: 600 0.8125rem var(--sans); color: var(--quiet); margin-bottom: 0.2rem; }
  code { display: block; margin-top: 0.35rem; color: var(--quiet); max-height: 4.6em; overflow: hidden; }
`;
const Actions = styled.div`display: flex; flex-wrap: wrap; gap: 0.5rem; align-items: center;`;
const Quiet = styled.p`font-size: 0.875rem; color: var(--quiet);`;
const Subject = styled.div<{ $pictured: boolean }>`
  display: grid; gap: 0.65rem; align-items: start; ${({ $pictured }) => $pictured && 'grid-template-columns: minmax(7rem, 11rem) minmax(0, 1fr);'}
  > img { max-width: 100%; max-height: 9rem; border: 1px solid var(--line); background: #fffefa; }
  > div { display: grid; gap: 0.65rem; } > div:empty { display: none; }
`;

export interface RemedyFormProps {
  desk: Desk;
  note: Note;
  engine: Engine;
  busy: boolean;
  mayChange: boolean;
  onApply(remedy: string, inputs: Inputs): Promise<void>;
  onSkip(): void;
}

export function pageTextOf(desk: Desk, source = desk.html): PageText {
  return { source, scope: desk.scope, title: desk.title, address: desk.address, neighbours: desk.neighbours };
}

/** The corrections of a note: choose one, fill it in, see before and after, apply and go on. */
export function RemedyForm({ desk, note, engine, busy, mayChange, onApply, onSkip }: RemedyFormProps) {
  const [name, setName] = useState<string | null>(null);
  const [typed, setTyped] = useState<Record<string, Inputs>>({});
  const text = useMemo(() => pageTextOf(desk), [desk]);
  const key = useMemo(() => ({ rule: note.rule, path: note.at.path, start: note.at.start }), [note.rule, note.at.path, note.at.start]);
  const { offers, picture } = useOffers(engine, text, key);

  const usable = offers?.filter((offer) => !offer.declines) ?? [];
  const offer = usable.find((one) => one.name === name) ?? usable[0];
  const inputs = offer ? (typed[offer.name] ?? offer.inputs) : undefined;
  const preview = usePreview(engine, text, key, offer?.name, inputs);

  // What is shown may still be of the text before the last key: what is typed now decides.
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!offer || !inputs || !mayChange || busy) return;
    if ((await engine.preview(text, key, offer.name, inputs)).ok) await onApply(offer.name, inputs);
  };
  const type = (field: string, value: string) => offer && setTyped({ ...typed, [offer.name]: { ...inputs, [field]: value } });

  return (
    <Form onSubmit={(event) => void submit(event)} aria-label="Correction" aria-busy={offers === null}>
      {usable.length > 1 && <Choice label="Correction" hideLabel value={offer!.name} onChange={setName} options={usable.map((one) => ({ value: one.name, label: one.label }))} />}
      {usable.length === 1 && <strong>{offer!.label}</strong>}
      {usable.length === 0 && <Quiet>{whyNoneIsOffered(offers, note)}</Quiet>}
      <Subject $pictured={picture !== null}>
        {picture && <img src={proofAddress(desk.collection.slug, picture)} alt="The picture this note speaks of" />}
        <div>{offer?.fields.map((field) => <RemedyField key={field.name} field={field} value={inputs?.[field.name] ?? ''} onChange={(value) => type(field.name, value)} />)}</div>
      </Subject>
      <BeforeAndAfter preview={preview} />
      <Actions>
        {offer && <Button type="submit" $look="main" isDisabled={busy || !mayChange}>Apply, go to next</Button>}
        <Button onPress={onSkip}>Skip</Button>
        {!mayChange && <Quiet>You may look, not change: someone else has to be at the desk.</Quiet>}
      </Actions>
    </Form>
  );
}

/** What the engine offers for a note, and the picture it speaks of; offers are null until it has answered. */
function useOffers(engine: Engine, text: PageText, key: FindingKey): { offers: readonly RemedyOffer[] | null; picture: string | null } {
  const [found, setFound] = useState<{ offers: readonly RemedyOffer[] | null; picture: string | null }>({ offers: null, picture: null });
  useEffect(() => {
    let current = true;
    void engine.offers(text, key).then((answer) => current && setFound(answer));
    return () => void (current = false);
  }, [engine, text, key]);
  return found;
}

function whyNoneIsOffered(offers: readonly RemedyOffer[] | null, note: Note): string | undefined {
  return offers === null ? 'Looking for corrections…' : (offers[0]?.declines ?? ruleOf(note.rule)?.fix);
}

function RemedyField({ field, value, onChange }: { field: RemedyOffer['fields'][number]; value: string; onChange(value: string): void }) {
  if (field.kind === 'choice') return <Choice label={field.label} value={value} onChange={onChange} options={field.options ?? []} />;
  return <TextBox label={field.label} value={value} onChange={onChange} passage={field.kind === 'passage'} hint={lengthHint(field.hint, value)} />;
}

function lengthHint(hint: string | undefined, value: string | undefined): string | undefined {
  return hint === undefined ? undefined : `${hint} ${value ? `${[...value].length} characters.` : ''}`;
}

function usePreview(engine: Engine, text: PageText, key: FindingKey, remedy: string | undefined, inputs: Inputs | undefined): Preview | null {
  const [preview, setPreview] = useState<Preview | null>(null);
  useEffect(() => {
    let current = true;
    if (!remedy || !inputs) return setPreview(null);
    void engine.preview(text, key, remedy, inputs).then((found) => current && setPreview(found));
    return () => void (current = false);
  }, [engine, text, key, remedy, inputs]);
  return preview;
}

function BeforeAndAfter({ preview }: { preview: Preview | null }) {
  if (!preview) return null;
  if (!preview.ok) return <Quiet role="status">{preview.reason}</Quiet>;
  return (
    <Sides>
      <SideView title="Now, spoken" side={preview.now} />
      <SideView title="Then, spoken" side={preview.then} />
    </Sides>
  );
}

function SideView({ title, side }: { title: string; side: Side }) {
  return (
    <SideBox>
      <h3>{title}</h3>
      <p>{side.spoken ? `“${side.spoken}”` : 'Nothing is said.'}</p>
      {side.markup && <code>{side.markup}</code>}
    </SideBox>
  );
}
