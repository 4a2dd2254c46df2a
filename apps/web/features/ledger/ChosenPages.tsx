'use client';
import type { LedgerChoice, PagesChosen, Problem } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { HandOutSheet } from '@/features/docket/HandOutSheet';
import { CameOf } from '@/features/repeated/CameOf';
import { isUnderWay } from '@/features/repeated/stroke';
import { useStroke } from '@/features/repeated/useStroke';
import { Button } from '@/ui/Button';
import { Pick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { CONTENT_TYPES, counted } from '@/ui/words';

const Bar = styled(Row)`
  margin-top: 0.75rem;
  padding: 0.5rem 0.75rem;
  background: var(--gallWash);
  border: 1px solid var(--line);
`;

const ACTS = {
  certain: {
    button: 'Fix what is certain…',
    title: 'Fix what is certain',
    says: 'Every fix that needs no word from a person, one revision a page. It can all be taken back at once.',
    go: (many: string) => `Fix on ${many}`,
  },
  'sign off': {
    button: 'Sign off…',
    title: 'Sign off',
    says: 'Each page that the gate lets through is signed off at its present revision, in your name. The others are left and named.',
    go: (many: string) => `Sign off ${many}`,
  },
} as const;

type Act = keyof typeof ACTS;

interface ChosenPagesProps {
  collection: string;
  chosen: readonly string[];
  /** The whole choice, where all of it is chosen. */
  whole: { pages: number; choice: LedgerChoice } | null;
  onClear(): void;
}

/** What can be done to the pages that are chosen in the ledger, all at once. */
export function ChosenPages({ collection, chosen, whole, onClear }: ChosenPagesProps) {
  const router = useRouter();
  const [act, setAct] = useState<Act | null>(null);
  const reaching = whole ? { many: whole.pages, pages: narrowingOf(whole.choice) } : { many: chosen.length, pages: chosen };
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');
  const [going, setGoing] = useState(false);
  const [handing, setHanding] = useState(false);
  const stroke = useStroke();
  const address = `/api/collections/${encodeURIComponent(collection)}`;
  const retype = async (contentType: string) => {
    const sent = await send<unknown>(`${address}/content-type`, { pages: reaching.pages, contentType });
    setProblem(sent.ok ? null : sent.problem);
    router.refresh();
  };
  const auditAgain = async () => {
    const sent = await send<{ pages: number }>(`${address}/audit-again`, { pages: reaching.pages });
    setProblem(sent.ok ? null : sent.problem);
    setSaid(sent.ok ? `${counted(sent.value.pages, 'page is', 'pages are')} being audited again in the background.` : '');
  };
  const close = () => {
    setAct(null);
    stroke.forget();
    if (stroke.made) {
      onClear();
      router.refresh();
    }
  };
  const takeOut = async () => {
    const sent = await send<{ pages: number }>(`${address}/take-pages`, { pages: reaching.pages });
    setProblem(sent.ok ? null : sent.problem);
    setGoing(!sent.ok);
    if (!sent.ok) return;
    onClear();
    router.refresh();
  };
  const many = counted(reaching.many, 'page');
  const { made } = stroke;
  return (
    <>
      <Bar role="group" aria-label="Chosen pages">
        <b role="status">{whole ? `All ${many} chosen` : `${many} chosen`}</b>
        {(Object.keys(ACTS) as Act[]).map((one) => (
          <Button key={one} onPress={() => setAct(one)}>
            {ACTS[one].button}
          </Button>
        ))}
        <Pick
          label="Content type"
          value=""
          onChange={(value) => value && void retype(value)}
          options={[{ value: '', label: 'change to…' }, ...CONTENT_TYPES.map((value) => ({ value, label: value }))]}
        />
        <Button onPress={() => setHanding(true)}>Hand to somebody…</Button>
        <Button onPress={() => void auditAgain()}>Audit again</Button>
        <Button onPress={() => setGoing(true)}>Take out…</Button>
        <Button $look="quiet" onPress={onClear}>
          Choose none
        </Button>
      </Bar>
      {said && <p role="status">{said}</p>}
      {problem && <ProblemNotice problem={problem} />}
      {handing && (
        <HandOutSheet
          collection={collection}
          of={{ pages: reaching.pages, findings: null }}
          what={`All that is open on ${many}`}
          onClose={() => setHanding(false)}
          onDone={(words) => {
            setHanding(false);
            setSaid(words);
          }}
        />
      )}
      <Sheet title={`Take ${many} out?`} open={going} onClose={() => setGoing(false)} problem={problem}>
        <p>They stand in no ledger any more. What was done to them is kept, and “Taken out” has the way back.</p>
        <Row>
          <Button $look="main" onPress={() => void takeOut()}>{`Take out ${many}`}</Button>
          <Button onPress={() => setGoing(false)}>Leave them</Button>
        </Row>
      </Sheet>
      <Sheet title={act ? ACTS[act].title : ''} open={act !== null} onClose={close} problem={stroke.problem}>
        {act && (made ? <CameOf stroke={made} collection={collection} /> : <p>{ACTS[act].says}</p>)}
        <Row>
          {act && !made && (
            <Button $look="main" onPress={() => void stroke.begin(`${address}/pages`, { act, pages: reaching.pages })}>
              {ACTS[act].go(many)}
            </Button>
          )}
          {made && act === 'certain' && !made.taken_back && !isUnderWay(made) && made.done > 0 && (
            <Button onPress={() => void stroke.takeBack()}>Take it back</Button>
          )}
          <Button onPress={close}>{made ? 'Close' : 'Cancel'}</Button>
        </Row>
      </Sheet>
    </>
  );
}

/** What a choice leaves, without the order and the place it is looked at. */
function narrowingOf({ order: _order, after: _after, ...parts }: LedgerChoice): PagesChosen {
  return parts;
}
