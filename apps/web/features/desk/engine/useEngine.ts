'use client';
import { useEffect, useMemo, useState } from 'react';
import { measured } from './measured';
import type { Answers, Question } from './protocol';

/** The engine in a web worker: typing and scrolling never wait for it. */
export class Engine {
  private worker: Worker | null = null;
  private last = 0;
  private readonly waiting = new Map<number, { resolve(answer: unknown): void; reject(error: Error): void }>();

  /** Answers of one kind for one question; the worker keeps the last page open between them. */
  ask<K extends Question['kind']>(question: Extract<Question, { kind: K }>): Promise<Answers[K]> {
    this.worker ??= this.start();
    const id = ++this.last;
    return new Promise<Answers[K]>((resolve, reject) => {
      this.waiting.set(id, { resolve: resolve as (answer: unknown) => void, reject });
      this.worker!.postMessage({ id, question });
    });
  }

  stop(): void {
    this.worker?.terminate();
    this.worker = null;
    this.waiting.clear();
  }

  private start(): Worker {
    const worker = new Worker(new URL('../../../workers/engine.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', (event: MessageEvent<{ id: number; answer?: unknown; error?: string; took?: number }>) => {
      if (event.data.took !== undefined) measured('answer in the worker', performance.now() - event.data.took);
      const waiting = this.waiting.get(event.data.id);
      this.waiting.delete(event.data.id);
      if (event.data.error === undefined) waiting?.resolve(event.data.answer);
      else waiting?.reject(new Error(event.data.error));
    });
    return worker;
  }
}

/** The engine's answer to a question; null until it has come. To another question the last answer is kept meanwhile when asked to, so that nothing flickers. */
export function useAnswer<K extends Question['kind']>(engine: Engine, question: Extract<Question, { kind: K }> | null, kept = false): Answers[K] | null {
  const [answered, setAnswered] = useState<{ question: unknown; answer: Answers[K] } | null>(null);
  useEffect(() => {
    let current = true;
    if (question) void engine.ask<K>(question).then((answer) => current && setAnswered({ question, answer }));
    return () => void (current = false);
  }, [engine, question]);
  return question && answered && (kept || answered.question === question) ? answered.answer : null;
}

export function useEngine(): Engine {
  const engine = useMemo(() => new Engine(), []);
  useEffect(() => () => engine.stop(), [engine]);
  return engine;
}
