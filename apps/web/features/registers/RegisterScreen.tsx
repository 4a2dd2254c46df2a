'use client';
import { REGISTERS } from '@inkwell/core';
import type { RegisterChoice, RegisterShown } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { counted } from '@/ui/words';
import { useEngine } from '../desk/engine/useEngine';
import { addressOf, REGISTER_WORDS, THING_WORDS, type View } from './choice';
import { ChosenThings } from './ChosenThings';
import { Controls } from './Controls';
import type { WishedParts } from './hand/wished';
import { InHand } from './hand/InHand';
import { MendLine } from './MendLine';
import { Outlines } from './Outlines';
import { ThingGrid } from './ThingGrid';
import { useChosen } from './useChosen';
import { useLines } from './useLines';
import { useMend } from './useMend';

const Page = styled.main`
  display: grid;
  grid-template-rows: auto auto auto minmax(0, 1fr);
  gap: 0.6rem;
  height: calc(100vh - 2.875rem);
  min-height: 36rem;
  padding: 0.8rem 1.25rem 1rem;
  h1 {
    font-size: 1.5rem;
  }
  @media (max-width: 62rem) {
    height: auto;
  }
`;
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1rem;
  align-items: baseline;
  p {
    color: var(--quiet);
  }
`;
const Tabs = styled.nav`
  display: flex;
  flex-wrap: wrap;
  gap: 0.15rem 1.1rem;
  margin-left: auto;
  font-size: 0.875rem;
  a {
    display: inline-flex;
    align-items: center;
    min-height: 1.75rem;
  }
  [aria-current] {
    font-weight: 700;
    color: var(--ink);
    text-decoration-thickness: 3px;
  }
`;
const Sides = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(20rem, 2fr);
  gap: 1rem;
  min-height: 0;
  > * {
    min-height: 0;
  }
  @media (max-width: 62rem) {
    grid-template-columns: minmax(0, 1fr);
    > :first-child {
      height: 26rem;
    }
  }
`;
const List = styled.div`
  display: grid;
  position: relative;
  grid-template-rows: minmax(0, 1fr) auto;
  gap: 0.4rem;
  min-width: 0;
`;

const Foot = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1rem;
  justify-content: space-between;
  align-items: start;
  min-height: 2.25rem;
`;

export interface RegisterScreenProps {
  collection: string | null;
  shown: RegisterShown;
  view: View;
  rules: readonly { rule: string; title: string }[];
}

/** Everything of one kind: the lines on the left, the one in hand on the right, and what is done to all its uses at once. */
export function RegisterScreen({ collection, shown: first, view, rules }: RegisterScreenProps) {
  const { register } = view.choice;
  const router = useRouter();
  const engine = useEngine();
  const { shown, lines, problem, see, again } = useLines(collection, first);
  const [at, setAt] = useState(0);
  const [done, setDone] = useState(0);
  const hand = useRef<HTMLElement>(null);
  const writesOn = useRef(false);
  const inHand = useRef('');
  const here = Math.min(at, Math.max(0, shown.total - 1));
  const chosen = useChosen(JSON.stringify(view.choice));
  const mending = useMend(
    useCallback(() => {
      void again(here).then((lines) => {
        // What was done may have gone elsewhere in the order: the one in hand stays in hand.
        const now = lines && [...lines].find(([, one]) => one.key === inHand.current)?.[0];
        if (now !== undefined && now !== null) setAt(now);
      });
      setDone((now) => now + 1);
    }, [again, here]),
  );
  const line = lines.get(here);
  if (line) inHand.current = line.key;
  const go = (part: Partial<RegisterChoice> | { shape: View['shape'] }) => {
    const next = 'shape' in part ? { ...view, ...part } : { ...view, choice: { ...view.choice, ...part } };
    setAt(0);
    router.push(addressOf(collection, next), { scroll: false });
  };
  const open = () => firstField(hand.current)?.focus();
  const onDone = async (wish: WishedParts) => {
    const things = line!.things.filter((id) => !id.startsWith('file '));
    if (!(await mending.begin({ collection, register, chosen: { things }, ...wish }))) return;
    if (here + 1 >= shown.total) return;
    writesOn.current = true;
    setAt(here + 1);
  };
  // Whoever wrote something goes on writing about the next one.
  useEffect(() => {
    if (!writesOn.current || line === undefined) return;
    writesOn.current = false;
    firstField(hand.current)?.focus();
  }, [here, line]);
  return (
    <Page id="content">
      <Head>
        <h1>{register === 'text' ? 'Slips in text' : REGISTER_WORDS[register]}</h1>
        <p role="status">
          {`${counted(shown.total, ...THING_WORDS[register])}, ${counted(shown.uses, 'use')}, ${counted(shown.open, 'open finding')}`}
        </p>
        <Tabs aria-label="Registers">
          {REGISTERS.map((name) => (
            <Link
              key={name}
              aria-label={`${REGISTER_WORDS[name]}, register`}
              href={addressOf(collection, { choice: { register: name }, shape: 'table' })}
              {...(name === register ? { 'aria-current': 'page' as const } : {})}
            >
              {REGISTER_WORDS[name]}
            </Link>
          ))}
          {collection !== null && <Link href={`/collections/${encodeURIComponent(collection)}/attached`}>Attached files</Link>}
        </Tabs>
      </Head>
      <Controls key={`${register} ${collection}`} collection={collection} register={register} view={view} rules={rules} onChange={go} />
      <div>{(problem ?? mending.problem) && <ProblemNotice problem={(problem ?? mending.problem)!} />}</div>
      <Sides>
        <List>
          <h2 className="aside-from-view">{`${REGISTER_WORDS[register]}, line by line`}</h2>
          {view.shape === 'pages' ? (
            <Outlines collection={collection} done={done} />
          ) : (
            <ThingGrid
              {...{ register, lines, see }}
              shape={view.shape === 'grid' ? 'grid' : 'table'}
              total={shown.total}
              at={here}
              chosen={chosen.all ? EVERY : chosen.set}
              order={view.choice.order ?? 'open'}
              onSee={see}
              onMove={setAt}
              onOpen={open}
              onToggle={chosen.toggle}
              onAll={chosen.chooseAll}
              onOrder={(order) => go({ order })}
            />
          )}
          <Foot>
            <ChosenThings
              {...{ collection, register, mending, chosen, view }}
              choice={shown.choice}
              total={shown.total}
              loaded={[...lines.values()]}
            />
            <MendLine mending={mending} />
          </Foot>
        </List>
        <InHand
          {...{ collection, register, line, engine, done }}
          isNext={here + 1 < shown.total}
          frame={hand}
          onDone={(wish) => void onDone(wish)}
          onKeepCopy={(from) => line && void mending.begin({ collection: from, things: line.things }, 'keep-copy')}
          onRecolour={(body) => void mending.begin({ collection, ...body }, 'recolour')}
        />
      </Sides>
    </Page>
  );
}

const EVERY = { has: () => true };

/** The first field of a form that is filled in. */
function firstField(frame: HTMLElement | null): HTMLElement | null {
  return frame?.querySelector<HTMLElement>('form textarea, form input:not([type="radio"]):not([type="checkbox"])') ?? frame;
}
