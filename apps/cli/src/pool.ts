import { availableParallelism } from 'node:os';
import { parentPort, Worker } from 'node:worker_threads';
import { digestOf, isNamedXhtml, neighboursFrom, parsePage, type Digest, type Neighbours, type Profile, type Scope } from '@inkwell/core';
import type { ReportedPage } from '@inkwell/formats';
import { CallError } from './call.ts';
import { examine } from './examine.ts';
import { readPage, type PageFile } from './pages.ts';
import { surroundingsOf } from './surroundings.ts';

/** Fewer pages than this are done sooner than workers start. */
const WORTH_WORKERS = 12;

export interface Examination {
  profile: Profile;
  scope: Scope | undefined;
  /** Texts of style sheets that apply besides the pages' own. */
  sheets: readonly string[];
}

type Task = { kind: 'digest'; page: PageFile } | { kind: 'examine'; page: PageFile; how: Examination; neighbours: Neighbours | null };
type Reply = { ok: true; value: Digest | ReportedPage } | { ok: false; why: string };

/** Neighbours are sent to a worker once and kept: they may be large. */
let sharedNeighbours: Neighbours | null = null;

async function run(task: Task): Promise<Reply> {
  try {
    const source = await readPage(task.page);
    if (task.kind === 'digest')
      return { ok: true, value: digestOf(parsePage(source, { xhtml: isNamedXhtml(task.page.path) }), task.page.path) };
    const { profile, scope, sheets } = task.how;
    const surroundings = surroundingsOf(
      task.page.file,
      task.page.path,
      task.page.folder === null ? null : (task.neighbours ?? sharedNeighbours),
      sheets,
    );
    return { ok: true, value: examine(task.page.path, source, profile, scope, surroundings) };
  } catch (error) {
    if (error instanceof CallError) return { ok: false, why: error.message };
    throw error;
  }
}

/**
 * Examines pages, in parallel when there are many; the reports come in the order of the pages. Pages of one folder know of one another:
 * each is read once for what the others need of it, and then examined.
 */
export async function* examineAll(pages: readonly PageFile[], how: Examination): AsyncGenerator<ReportedPage> {
  const crew = pages.length < WORTH_WORKERS ? new Alone() : new Crew(Math.min(availableParallelism(), pages.length));
  try {
    const folders = new Set(pages.map((page) => page.folder).filter((folder) => folder !== null));
    const neighbours = new Map<string, Neighbours>();
    for (const folder of folders) {
      const own = pages.filter((page) => page.folder === folder);
      const digests: (Digest | ReportedPage)[] = [];
      for await (const digest of crew.inOrder(own.map((page): Task => ({ kind: 'digest', page })))) digests.push(digest);
      neighbours.set(
        folder.root,
        neighboursFrom(
          digests.map((digest) => digest as Digest),
          folder.files,
          {},
        ),
      );
    }
    for (const group of byFolder(pages)) {
      await crew.share(group.folder === null ? null : neighbours.get(group.folder.root)!);
      const tasks = group.pages.map((page): Task => ({ kind: 'examine', page, how, neighbours: null }));
      for await (const page of crew.inOrder(tasks)) yield page as ReportedPage;
    }
  } finally {
    await crew.close();
  }
}

/** Runs of pages of one folder, in order. */
function byFolder(pages: readonly PageFile[]): { folder: PageFile['folder']; pages: PageFile[] }[] {
  const groups: { folder: PageFile['folder']; pages: PageFile[] }[] = [];
  for (const page of pages) {
    if (groups.at(-1)?.folder === page.folder) groups.at(-1)!.pages.push(page);
    else groups.push({ folder: page.folder, pages: [page] });
  }
  return groups;
}

function unwrap(reply: Reply): Digest | ReportedPage {
  if (!reply.ok) throw new CallError(reply.why);
  return reply.value;
}

/** Does the work itself, one page after another. */
class Alone {
  share(neighbours: Neighbours | null): Promise<void> {
    sharedNeighbours = neighbours;
    return Promise.resolve();
  }

  async *inOrder(tasks: readonly Task[]): AsyncGenerator<Digest | ReportedPage> {
    for (const task of tasks) yield unwrap(await run(task));
  }

  close(): Promise<void> {
    return Promise.resolve();
  }
}

/** Megabytes for what a page needs only while it is audited: more is held by every worker, and saves no time. */
const YOUNG = 16;

/** Tasks begun before the first of them is taken. */
const FAR_AHEAD = 32;

function askWorker(worker: Worker, task: Task): Promise<Reply> {
  return new Promise((resolve, reject) => {
    const done = (reply: Reply) => {
      worker.off('error', reject);
      resolve(reply);
    };
    worker.once('message', done);
    worker.once('error', reject);
    worker.postMessage(task);
  });
}

/** Worker threads, each given a page whenever it has done one. */
class Crew {
  private readonly workers: Worker[];

  constructor(many: number) {
    this.workers = Array.from(
      { length: many },
      () => new Worker(new URL(import.meta.url), { resourceLimits: { maxYoungGenerationSizeMb: YOUNG } }),
    );
  }

  share(neighbours: Neighbours | null): Promise<void> {
    for (const worker of this.workers) worker.postMessage({ kind: 'share', neighbours });
    return Promise.resolve();
  }

  /** What the workers made of the tasks, in their order; they are at most so far ahead of whoever takes it. */
  async *inOrder(tasks: readonly Task[]): AsyncGenerator<Digest | ReportedPage> {
    const running = new Map<number, Promise<Reply>>();
    const idle = [...this.workers];
    const waiting: ((worker: Worker) => void)[] = [];
    const free = (worker: Worker) => (waiting.length > 0 ? waiting.shift()!(worker) : void idle.push(worker));
    const begin = async (task: Task): Promise<Reply> => {
      const worker = idle.pop() ?? (await new Promise<Worker>((resolve) => waiting.push(resolve)));
      try {
        return await askWorker(worker, task);
      } finally {
        free(worker);
      }
    };
    let next = 0;
    for (let at = 0; at < tasks.length; at++) {
      for (; next < tasks.length && next < at + FAR_AHEAD; next++) {
        const reply = begin(tasks[next]!);
        // A failure is met when its turn comes, and not before.
        reply.catch(() => undefined);
        running.set(next, reply);
      }
      const reply = await running.get(at)!;
      running.delete(at);
      yield unwrap(reply);
    }
  }

  async close(): Promise<void> {
    await Promise.all(this.workers.map((worker) => worker.terminate()));
  }
}

/** What a worker thread does: one page at a time, for as long as it is given any. */
export function serveAudits(): void {
  parentPort!.on('message', (task: Task | { kind: 'share'; neighbours: Neighbours | null }) => {
    if (task.kind === 'share') sharedNeighbours = task.neighbours;
    else void run(task).then((reply) => parentPort!.postMessage(reply));
  });
}
