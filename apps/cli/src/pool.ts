import { availableParallelism } from 'node:os';
import { parentPort, Worker } from 'node:worker_threads';
import type { Neighbours } from '@inkwell/core';
import { CallError } from './call.ts';
import { PageTrouble } from './pages.ts';
import { perform, type Answers, type Task } from './tasks.ts';

/** Fewer pages than this are done sooner than workers start. */
const WORTH_WORKERS = 12;

/** `call`: it is the call that is wrong, and not the page. */
type Reply<T> = { ok: true; value: T } | { ok: false; why: string; call?: true };

/** Neighbours are sent to a worker once and kept: they may be large. */
let shared: Neighbours | null = null;

async function run<K extends keyof Answers>(task: Task<K>): Promise<Reply<Answers[K]>> {
  try {
    return { ok: true, value: await perform(task, shared) };
  } catch (error) {
    if (error instanceof PageTrouble) return { ok: false, why: error.message };
    if (error instanceof CallError) return { ok: false, why: error.message, call: true };
    throw error;
  }
}

/** Whoever does tasks on pages, here or in threads. */
export interface Crew {
  /** What the pages of the tasks that follow know of one another. */
  share(neighbours: Neighbours | null): void;
  /** What came of the tasks, in their order. They are begun at most a little ahead of whoever takes them. */
  inOrder<K extends keyof Answers>(tasks: readonly Task<K>[]): AsyncGenerator<{ task: Task<K>; reply: Reply<Answers[K]> }>;
  close(): Promise<void>;
}

/** Worker threads when there are many pages. */
export function crewFor(pages: number): Crew {
  return pages < WORTH_WORKERS ? new Alone() : new Threads(Math.min(availableParallelism(), pages));
}

/** Does the work itself, one page after another. */
class Alone implements Crew {
  share(neighbours: Neighbours | null): void {
    shared = neighbours;
  }

  async *inOrder<K extends keyof Answers>(tasks: readonly Task<K>[]): AsyncGenerator<{ task: Task<K>; reply: Reply<Answers[K]> }> {
    for (const task of tasks) yield { task, reply: await run(task) };
  }

  close(): Promise<void> {
    return Promise.resolve();
  }
}

/** Megabytes for what a page needs only while it is audited: more is held by every worker, and saves no time. */
const YOUNG = 16;

/** Tasks begun before the first of them is taken. */
const FAR_AHEAD = 32;

function ask<K extends keyof Answers>(worker: Worker, task: Task<K>): Promise<Reply<Answers[K]>> {
  return new Promise((resolve, reject) => {
    const done = (reply: Reply<Answers[K]>) => {
      worker.off('error', reject);
      resolve(reply);
    };
    worker.once('message', done);
    worker.once('error', reject);
    worker.postMessage(task);
  });
}

/** Worker threads, each given a page whenever it has done one. */
class Threads implements Crew {
  private readonly workers: Worker[];

  constructor(many: number) {
    this.workers = Array.from(
      { length: many },
      () => new Worker(new URL(import.meta.url), { resourceLimits: { maxYoungGenerationSizeMb: YOUNG } }),
    );
  }

  share(neighbours: Neighbours | null): void {
    for (const worker of this.workers) worker.postMessage({ kind: 'share', neighbours });
  }

  async *inOrder<K extends keyof Answers>(tasks: readonly Task<K>[]): AsyncGenerator<{ task: Task<K>; reply: Reply<Answers[K]> }> {
    const running = new Map<number, Promise<Reply<Answers[K]>>>();
    const idle = [...this.workers];
    const waiting: ((worker: Worker) => void)[] = [];
    const free = (worker: Worker) => (waiting.length > 0 ? waiting.shift()!(worker) : void idle.push(worker));
    const begin = async (task: Task<K>): Promise<Reply<Answers[K]>> => {
      const worker = idle.pop() ?? (await new Promise<Worker>((resolve) => waiting.push(resolve)));
      try {
        return await ask(worker, task);
      } finally {
        free(worker);
      }
    };
    let next = 0;
    for (const [at, task] of tasks.entries()) {
      for (; next < tasks.length && next < at + FAR_AHEAD; next++) {
        const reply = begin(tasks[next]!);
        // A failure is met when its turn comes, and not before.
        reply.catch(() => undefined);
        running.set(next, reply);
      }
      const reply = await running.get(at)!;
      running.delete(at);
      yield { task, reply };
    }
  }

  async close(): Promise<void> {
    await Promise.all(this.workers.map((worker) => worker.terminate()));
  }
}

/** What a worker thread does: one page at a time, for as long as it is given any. */
export function serveTasks(): void {
  parentPort!.on('message', (task: Task<keyof Answers> | { kind: 'share'; neighbours: Neighbours | null }) => {
    if (task.kind === 'share') shared = task.neighbours;
    else void run(task).then((reply) => parentPort!.postMessage(reply));
  });
}
