'use client';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { measured } from './measured';
import type { Answers, Question } from './protocol';

/** A question that takes longer has not been understood: the longest page is answered in a few seconds. */
const LONGEST_MS = 90_000;

interface Waiting {
  resolve(answer: unknown): void;
  reject(error: Error): void;
  timer: ReturnType<typeof setTimeout>;
}

/** Whether the engine is of use, and how often it was begun anew. */
export interface Health {
  /** What the last question failed with; null once another is answered. */
  trouble: string | null;
  begun: number;
}

/** The engine in a web worker: typing and scrolling never wait for it. What it cannot answer is told, and can be asked again. */
export class Engine {
  private worker: Worker | null = null;
  private last = 0;
  private readonly waiting = new Map<number, Waiting>();
  private readonly listeners = new Set<() => void>();
  health: Health = { trouble: null, begun: 0 };

  constructor(
    private readonly startWorker: () => Worker = () =>
      new Worker(new URL('../../../workers/engine.worker.ts', import.meta.url), { type: 'module' }),
    private readonly longest = LONGEST_MS,
  ) {}

  /** Answers of one kind for one question; the worker keeps the last page open between them. Rejects when it could not answer. */
  ask<K extends Question['kind']>(question: Extract<Question, { kind: K }>): Promise<Answers[K]> {
    this.worker ??= this.start();
    const id = ++this.last;
    return new Promise<Answers[K]>((resolve, reject) => {
      // A worker that hangs is replaced, or everything after would wait for ever.
      const timer = setTimeout(() => this.fail(`The engine took longer than ${this.longest / 1000} seconds.`), this.longest);
      this.waiting.set(id, { resolve: resolve as (answer: unknown) => void, reject, timer });
      this.worker!.postMessage({ id, question });
    });
  }

  /** Begins anew: whoever waits for an answer asks again. */
  again(): void {
    this.stop();
    this.tell({ trouble: null, begun: this.health.begun + 1 });
  }

  stop(): void {
    this.worker?.terminate();
    this.worker = null;
    for (const { timer } of this.waiting.values()) clearTimeout(timer);
    this.waiting.clear();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  private start(): Worker {
    const worker = this.startWorker();
    worker.addEventListener('message', (event: MessageEvent<{ id: number; answer?: unknown; error?: string; took?: number }>) => {
      if (event.data.took !== undefined) measured('answer in the worker', performance.now() - event.data.took);
      const waiting = this.waiting.get(event.data.id);
      this.waiting.delete(event.data.id);
      clearTimeout(waiting?.timer);
      if (event.data.error === undefined) waiting?.resolve(event.data.answer);
      else {
        waiting?.reject(new Error(event.data.error));
        this.tell({ ...this.health, trouble: event.data.error });
      }
    });
    // One that could not be loaded, or died, answers nothing any more.
    worker.addEventListener('error', (event) => this.fail(event.message || 'The engine could not be started.'));
    worker.addEventListener('messageerror', () => this.fail('An answer of the engine could not be read.'));
    return worker;
  }

  private fail(why: string): void {
    const lost = [...this.waiting.values()];
    this.stop();
    for (const { reject } of lost) reject(new Error(why));
    this.tell({ ...this.health, trouble: why });
  }

  private tell(health: Health): void {
    this.health = health;
    for (const listener of this.listeners) listener();
  }
}

export function useHealth(engine: Engine): Health {
  return useSyncExternalStore(
    engine.subscribe,
    () => engine.health,
    () => engine.health,
  );
}

/**
 * The engine's answer to a question; null until it has come, and when it could not be given: `useHealth` says so, and `again` asks anew.
 * To another question the last answer is kept meanwhile when asked to, so that nothing flickers.
 */
export function useAnswer<K extends Question['kind']>(
  engine: Engine,
  question: Extract<Question, { kind: K }> | null,
  kept = false,
): Answers[K] | null {
  const [answered, setAnswered] = useState<{ question: unknown; answer: Answers[K] } | null>(null);
  const { begun } = useHealth(engine);
  useEffect(() => {
    let current = true;
    if (question)
      engine.ask<K>(question).then(
        (answer) => current && setAnswered({ question, answer }),
        () => undefined,
      );
    return () => void (current = false);
  }, [engine, question, begun]);
  return question && answered && (kept || answered.question === question) ? answered.answer : null;
}

export function useEngine(): Engine {
  const engine = useMemo(() => new Engine(), []);
  useEffect(() => () => engine.stop(), [engine]);
  return engine;
}
