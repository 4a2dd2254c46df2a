'use client';
import { useCallback, useRef, useState } from 'react';
import type { Desk, Problem } from '@inkwell/review';
import { send, type Sent } from '@/ui/send';

/** What came of an action, and the page as it stands then. */
export interface Acted {
  result: unknown;
  desk: Desk;
}

/** Actions one after another, and how often the line was broken by a refusal. */
interface Line {
  last: Promise<unknown>;
  broken: number;
  /** Breaks off what is being waited for. */
  leaving?: AbortController;
  /** Asks once more for what failed last. */
  again?: () => Promise<Sent<Acted>>;
}

/** What somebody else made of the page meanwhile, which this went on top of. */
export interface OnTopOf {
  revision: number;
  by: string;
}

function onTopOf({ result, desk }: Acted): OnTopOf | null {
  const { onTopOf: revision } = (result ?? {}) as { onTopOf?: number };
  const line = desk.history.find(({ number }) => number === revision);
  return revision === undefined ? null : { revision, by: line?.by ?? 'Somebody else' };
}

const DROPPED: Problem = { code: 'conflict', what: 'What was to be done before this was refused', kept: 'The page is as it was.' };

/** The page as the last answer left it, and the line of what is asked of the server about it. */
export function useActs(initial: Desk) {
  const [desk, setDesk] = useState(initial);
  const [waiting, setWaiting] = useState(0);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [besides, setBesides] = useState<OnTopOf | null>(null);
  const latest = useRef(initial);
  const line = useRef<Line>({ last: Promise.resolve(), broken: 0 });

  /**
   * Sends one action once those before it are answered, so that keys typed ahead are each about the page as the one before left it. When
   * one is refused, what was typed ahead of its answer is dropped with it.
   */
  const act = useCallback((name: string, body: (now: Desk) => object, after: (now: Desk) => void): Promise<Sent<Acted>> => {
    const { broken } = line.current;
    const sending = line.current.last.then(async (): Promise<Sent<Acted>> => {
      if (line.current.broken !== broken) return { ok: false, problem: DROPPED };
      const leaving = (line.current.leaving = new AbortController());
      const sent = await send<Acted>(`/api/pages/${latest.current.pageId}/${name}`, body(latest.current), leaving.signal);
      if (sent.ok) {
        latest.current = sent.value.desk;
        setProblem(null);
        setBesides(onTopOf(sent.value));
        setDesk(sent.value.desk);
        after(sent.value.desk);
      } else {
        line.current.broken++;
        line.current.again = () => act(name, body, after);
        setProblem(sent.problem);
      }
      return sent;
    });
    setWaiting((many) => many + 1);
    line.current.last = sending.then(
      () => setWaiting((many) => many - 1),
      () => setWaiting((many) => many - 1),
    );
    return sending;
  }, []);

  return {
    desk,
    busy: waiting > 0,
    problem,
    besides,
    act,
    leaveOff: () => line.current.leaving?.abort(),
    tryAgain: async () => (await line.current.again?.())?.ok ?? false,
    dismiss: () => setProblem(null),
  };
}
