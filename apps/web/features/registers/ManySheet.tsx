'use client';
import type { Mend, RegisterName } from '@inkwell/core';
import type { CaseView, Problem, RegisterChoice, ThingLine, ThingView } from '@inkwell/review';
import { useEffect, useState } from 'react';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { counted } from '@/ui/words';
import { Cases, caseKey, useTicked } from './hand/Cases';

interface ManyProps {
  collection: string | null;
  register: RegisterName;
  choice: RegisterChoice;
  title: string;
  mend: Mend;
  /** The lines that were chosen; of all that the choice comes to, those that are here. */
  lines: readonly ThingLine[];
  /** Whether it is done to all that the choice comes to. */
  all: boolean;
  problem: Problem | null;
  onClose(): void;
  onDo(wish: object): Promise<void>;
}

const NOTHING: ThingView = { cases: [], more: false, uses: [] };

/** What would be done to many things at once: equal changes told once, exceptions unticked, and then done in one go. */
export function ManySheet({ collection, register, choice, title, mend, lines, all, problem, onClose, onDo }: ManyProps) {
  const [loaded, setView] = useState<ThingView | null>(null);
  const [going, setGoing] = useState(false);
  const ids = lines.flatMap(({ things }) => things).filter((id) => !id.startsWith('file '));
  const asked = ids.slice(0, 2_000).join(' ');
  useEffect(() => {
    if (asked === '') return;
    void send<ThingView>('/api/registers/thing', { collection, register, things: asked.split(' '), skip: 0 }).then(
      (sent) => sent.ok && setView(sent.value),
    );
  }, [asked, collection, register]);
  const view = asked === '' ? NOTHING : loaded;
  const cases = view?.cases ?? [];
  const concerned = mend.do === 'certain' ? cases.filter((one) => one.open + one.asks > 0) : cases;
  const { chosen, choose } = useTicked(concerned, () => true);
  const without = concerned.filter((one) => !chosen.has(caseKey(one))).map((one) => ({ thing: one.thing, case: one.case }));
  const uses = concerned.reduce((sum, one) => sum + (chosen.has(caseKey(one)) ? one.uses : 0), 0);
  const go = async () => {
    setGoing(true);
    const keys = all ? null : lines.map(({ key }) => key);
    await onDo({ collection, register, chosen: { choice, keys }, mend, without });
    setGoing(false);
  };
  return (
    <Sheet title={title} open wide onClose={onClose} problem={problem}>
      {all && <p>It is done to everything that this choice comes to, also to what is not on the screen.</p>}
      {view === null ? (
        <p>Looking for what would be changed…</p>
      ) : (
        <>
          <p>
            {`${all ? 'At least ' : ''}${counted(uses, 'use')} would be looked at. ${view.more ? 'The first of them are shown, equal ones once. ' : 'Equal ones are shown once. '}`}
            What you untick stays as it is, and so does what a person has settled.
          </p>
          <Cases
            {...{ collection, register, chosen }}
            cases={concerned}
            around={new Map()}
            word=""
            onChoose={choose}
            mendOf={() => mend}
            says={(one: CaseView) => <b>{[one.name.replace(/^.*\//, ''), one.says].filter(Boolean).join(': ')}</b>}
          />
        </>
      )}
      <p>Each page is changed by itself; one word takes all of it back.</p>
      <Row>
        <Button $look="main" isDisabled={going || view === null || (uses === 0 && !all)} onPress={() => void go()}>
          Do it
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}
