'use client';
import { lookup, type Mend, type RegisterName, type RemedyName } from '@inkwell/core';
import type { CaseView, RuleOffers, ThingLine } from '@inkwell/review';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Pick } from '@/ui/Field';

import { send } from '@/ui/send';
import { counted } from '@/ui/words';
import { RemedyField } from '../../desk/note/RemedyField';
import { Apply } from './Apply';
import { Cases, caseKey, useTicked } from './Cases';
import type { WishedParts } from './wished';
import type { Thing } from './useThing';

const Form = styled.form`
  display: grid;
  gap: 0.6rem;
  min-width: 0;
`;

interface CardProps {
  register: RegisterName;
  collection: string | null;
  line: ThingLine;
  thing: Thing;
  word: string;
  says(one: CaseView): string;
  onDone(wish: WishedParts): void;
}

/** What was found on a thing, and a fix of it for all its uses at once, with what is asked for filled in once. */
export function FixCard({ register, collection, line, thing, word, says, onDone }: CardProps) {
  const cases = thing.view?.cases ?? [];
  const open = cases.filter((one) => one.open + one.asks > 0);
  const offers = useOffers(register, open[0]);
  const [which, setWhich] = useState('');
  const [inputs, setInputs] = useState<Readonly<Record<string, string>>>({});
  const all = offers.flatMap(({ rule, title, sentence, offers: some }) =>
    some.map((offer) => ({ key: `${rule} ${offer.name}`, rule, title, sentence, offer })),
  );
  const chosen = all.find(({ key }) => key === which) ?? all[0];
  const ticked = useTicked(open, () => true);
  if (open.length === 0) return null;
  if (!chosen) return offers.length > 0 ? <p>{offers[0]!.sentence}. There is no fix for it from here: open a page on its Desk.</p> : null;
  const filled = { ...chosen.offer.inputs, ...inputs };
  // What each place proposes for itself is left to it, but where somebody wrote something.
  const mend: Mend = { do: 'fix', rule: chosen.rule, remedy: chosen.offer.name as RemedyName, inputs: chosen.offer.certain ? {} : filled };
  const ready = chosen.offer.fields.every(({ name, kind }) => kind === 'choice' || (lookup(filled, name) ?? '').trim() !== '');
  const parts = open.flatMap((one) => (ticked.chosen.has(caseKey(one)) ? [{ thing: one.thing, alike: [one.case], mend }] : []));
  const uses = open.reduce((sum, one) => sum + (ticked.chosen.has(caseKey(one)) ? one.uses : 0), 0);
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        if (ready && parts.length > 0) onDone({ parts, renames: [] });
      }}
    >
      <p>{`${chosen.sentence}.`}</p>
      {all.length > 1 && (
        <Pick
          label="Fix"
          value={chosen.key}
          onChange={(key) => {
            setWhich(key);
            setInputs({});
          }}
          options={all.map(({ key, title, offer }) => ({ value: key, label: `${title}: ${offer.label.toLowerCase()}` }))}
        />
      )}
      {chosen.offer.fields.map((field) => (
        <RemedyField
          key={`${chosen.key} ${field.name}`}
          field={field}
          value={lookup(filled, field.name) ?? ''}
          place={{ collection: line.collections[0] ?? '', address: '', source: '' }}
          onChange={(text) => setInputs((now) => ({ ...now, [field.name]: text }))}
        />
      ))}
      <Apply>
        <Button type="submit" $look="main" isDisabled={!ready || parts.length === 0}>
          {`${chosen.offer.label}, ${counted(uses, 'use')}`}
        </Button>
      </Apply>
      <Cases
        {...{ register, collection, around: thing.around, word, says, chosen: ticked.chosen }}
        cases={open}
        onChoose={ticked.choose}
        mendOf={() => (ready ? mend : null)}
      />
    </Form>
  );
}

/** What could be done to what stands open, as it is on the page where a case comes first. */
function useOffers(register: RegisterName, one: CaseView | undefined): readonly RuleOffers[] {
  const [loaded, setLoaded] = useState<{ of: string; offers: readonly RuleOffers[] }>({ of: '', offers: [] });
  const of = one ? caseKey(one) : '';
  const page = one?.page;
  const thing = one?.thing;
  useEffect(() => {
    if (of === '' || page === undefined) return;
    let left = false;
    void send<RuleOffers[]>('/api/registers/offers', { register, thing, page }).then((sent) => {
      if (sent.ok && !left) setLoaded({ of, offers: sent.value });
    });
    return () => {
      left = true;
    };
  }, [register, of, page, thing]);
  return loaded.of === of ? loaded.offers : [];
}
