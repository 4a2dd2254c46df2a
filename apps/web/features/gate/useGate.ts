import type { GateDone, GateRow, GateShown, Problem } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { send } from '@/ui/send';

export interface Gate {
  rows: readonly GateRow[];
  next: string | null;
  problem: Problem | null;
  /** What was done last, and what was left. */
  done: (GateDone & { what: string }) | null;
  chosen: ReadonlySet<number>;
  /** Whether the whole group is chosen, with what is not shown. */
  all: boolean;
  busy: boolean;
  choose(id: number, on: boolean): void;
  chooseAll(on: boolean): void;
  more(): Promise<void>;
  /** Does something to what is chosen. */
  act(what: string, address: string, wish?: object): Promise<void>;
  /** Asks for something else, and shows what became of it. */
  ask(address: string, wish: object): Promise<boolean>;
}

/** What is shown of the gate, what is chosen of it, and what is done to that. */
export function useGate(shown: GateShown): Gate {
  const router = useRouter();
  const [more, setMore] = useState<readonly GateRow[]>([]);
  const [next, setNext] = useState(shown.next);
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [all, setAll] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [done, setDone] = useState<Gate['done']>(null);
  const [busy, setBusy] = useState(false);
  const collection = shown.collection;

  async function post<T>(address: string, wish: object): Promise<T | null> {
    setBusy(true);
    const sent = await send<T>(address, wish);
    setBusy(false);
    setProblem(sent.ok ? null : sent.problem);
    return sent.ok ? (sent.value ?? ({} as T)) : null;
  }

  const begin = () => {
    setMore([]);
    setNext(shown.next);
    setChosen(new Set());
    setAll(false);
    router.refresh();
  };

  return {
    rows: [...shown.rows, ...more],
    ...{ next, problem, done, chosen, all, busy },
    choose(id, on) {
      const others = [...chosen].filter((one) => one !== id);
      setChosen(new Set(on ? [...others, id] : others));
      setAll(false);
    },
    chooseAll(on) {
      setAll(on);
      setChosen(new Set(on ? [...shown.rows, ...more].map(({ id }) => id) : []));
    },
    async more() {
      const told = await post<GateShown>('/api/gate/show', { group: shown.group, collection: collection?.slug ?? null, after: next });
      if (!told) return;
      setMore([...more, ...told.rows]);
      setNext(told.next);
    },
    async act(what, address, wish = {}) {
      const which = all ? { group: shown.group, collection: collection?.id ?? null } : [...chosen];
      const told = await post<GateDone>(address, { ...wish, which });
      if (!told) return;
      setDone({ ...told, what });
      begin();
    },
    async ask(address, wish) {
      const told = await post<unknown>(address, wish);
      if (told !== null) router.refresh();
      return told !== null;
    },
  };
}
