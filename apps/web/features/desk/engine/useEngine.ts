'use client';
import { useEffect, useMemo } from 'react';
import type { Inputs } from '@inkwell/core';
import type { Answers, FindingKey, PageText, Question } from './protocol';

/** The engine in a web worker: typing and scrolling never wait for it. */
export class Engine {
  private worker: Worker | null = null;
  private last = 0;
  private readonly waiting = new Map<number, { resolve(answer: unknown): void; reject(error: Error): void }>();

  audit(page: PageText): Promise<Answers['audit']> {
    return this.ask({ kind: 'audit', page });
  }

  offers(page: PageText, finding: FindingKey): Promise<Answers['offers']> {
    return this.ask({ kind: 'offers', page, finding });
  }

  preview(page: PageText, finding: FindingKey, remedy: string, inputs: Inputs): Promise<Answers['preview']> {
    return this.ask({ kind: 'preview', page, finding, remedy, inputs });
  }

  sizeUp(source: string): Promise<Answers['size-up']> {
    return this.ask({ kind: 'size-up', source });
  }

  stop(): void {
    this.worker?.terminate();
    this.worker = null;
    this.waiting.clear();
  }

  private ask<K extends Question['kind']>(question: Extract<Question, { kind: K }>): Promise<Answers[K]> {
    this.worker ??= this.start();
    const id = ++this.last;
    return new Promise<Answers[K]>((resolve, reject) => {
      this.waiting.set(id, { resolve: resolve as (answer: unknown) => void, reject });
      this.worker!.postMessage({ id, question });
    });
  }

  private start(): Worker {
    const worker = new Worker(new URL('../../../workers/engine.worker.ts', import.meta.url), { type: 'module' });
    worker.addEventListener('message', (event: MessageEvent<{ id: number; answer?: unknown; error?: string }>) => {
      const waiting = this.waiting.get(event.data.id);
      this.waiting.delete(event.data.id);
      if (event.data.error === undefined) waiting?.resolve(event.data.answer);
      else waiting?.reject(new Error(event.data.error));
    });
    return worker;
  }
}

export function useEngine(): Engine {
  const engine = useMemo(() => new Engine(), []);
  useEffect(() => () => engine.stop(), [engine]);
  return engine;
}
