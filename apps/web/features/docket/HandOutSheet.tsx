'use client';
import type { Chosen, PagesChosen, Problem } from '@inkwell/review';
import { useEffect, useState } from 'react';
import { Button } from '@/ui/Button';
import { DayBox, Pick, TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { counted } from '@/ui/words';

interface HandOutProps {
  /** Null: all that one may hand out in. */
  collection: string | null;
  /** Pages with some findings of them (null: all that is open), or things of a register. */
  of: { pages: readonly string[] | PagesChosen; findings: readonly number[] | null } | { chosen: Chosen };
  /** What is handed out, in words. */
  what: string;
  onClose(): void;
  onDone(words: string): void;
}

interface Taker {
  id: string;
  name: string;
  role: string;
}

/** Hands work to somebody, with a day and a word. */
export function HandOutSheet({ collection, of, what, onClose, onDone }: HandOutProps) {
  const [people, setPeople] = useState<readonly Taker[] | null>(null);
  const [to, setTo] = useState('');
  const [due, setDue] = useState('');
  const [words, setWords] = useState('');
  const [problem, setProblem] = useState<Problem | null>(null);
  const [busy, setBusy] = useState(false);
  useEffect(() => {
    void send<Taker[]>('/api/docket/takers', { collection }).then((sent) => {
      setProblem(sent.ok ? null : sent.problem);
      if (sent.ok) setPeople(sent.value);
    });
  }, [collection]);
  const go = async () => {
    setBusy(true);
    const wish = { collection, ...of, to, due: due || null, words };
    const address = 'chosen' in of ? '/api/docket/hand-out-chosen' : '/api/docket/hand-out';
    const sent = await send<{ findings: number; pages: number }>(address, wish);
    setBusy(false);
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    const name = people?.find(({ id }) => id === to)?.name ?? 'them';
    onDone(`${name} has ${counted(sent.value.findings, 'finding')} on ${counted(sent.value.pages, 'page')} to see to.`);
  };
  return (
    <Sheet title="Hand to somebody" open onClose={onClose} problem={problem}>
      <p>{`${what}: it stands on their docket until an audit finds it fixed, and again if it comes back.`}</p>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void go();
        }}
      >
        <Row>
          <Pick
            label="To"
            value={to}
            onChange={setTo}
            options={[
              { value: '', label: people === null ? 'Looking for people…' : 'choose' },
              ...(people ?? []).map(({ id, name, role }) => ({ value: id, label: `${name}, ${role}` })),
            ]}
          />
          <DayBox label="By" value={due} onChange={setDue} />
        </Row>
        <TextBox label="A word that goes with it" value={words} onChange={setWords} passage />
        <Row>
          <Button type="submit" $look="main" isDisabled={to === '' || busy}>
            Hand it over
          </Button>
          <Button onPress={onClose}>Cancel</Button>
        </Row>
      </form>
    </Sheet>
  );
}
