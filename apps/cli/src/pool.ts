import { availableParallelism } from 'node:os';
import { parentPort, Worker } from 'node:worker_threads';
import { digestOf, neighboursFrom, parsePage, type Digest, type Neighbours, type Profile, type Scope } from '@inkwell/core';
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
    if (task.kind === 'digest') return { ok: true, value: digestOf(parsePage(source), task.page.path) };
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
export async function examineAll(pages: readonly PageFile[], how: Examination): Promise<ReportedPage[]> {
  const crew = pages.length < WORTH_WORKERS ? new Alone() : new Crew(Math.min(availableParallelism(), pages.length));
  try {
    const folders = new Set(pages.map((page) => page.folder).filter((folder) => folder !== null));
    const neighbours = new Map<string, Neighbours>();
    for (const folder of folders) {
      const own = pages.filter((page) => page.folder === folder);
      const digests = await crew.all(own.map((page): Task => ({ kind: 'digest', page })));
      neighbours.set(
        folder.root,
        neighboursFrom(
          digests.map((digest) => digest as Digest),
          folder.files,
          {},
        ),
      );
    }
    const replies: ReportedPage[] = [];
    for (const group of byFolder(pages)) {
      await crew.share(group.folder === null ? null : neighbours.get(group.folder.root)!);
      replies.push(
        ...((await crew.all(group.pages.map((page): Task => ({ kind: 'examine', page, how, neighbours: null })))) as ReportedPage[]),
      );
    }
    return replies;
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

  async all(tasks: readonly Task[]): Promise<(Digest | ReportedPage)[]> {
    const values: (Digest | ReportedPage)[] = [];
    for (const task of tasks) values.push(unwrap(await run(task)));
    return values;
  }

  close(): Promise<void> {
    return Promise.resolve();
  }
}

/** Worker threads, each given a page whenever it has done one. */
class Crew {
  private readonly workers: Worker[];

  constructor(many: number) {
    this.workers = Array.from({ length: many }, () => new Worker(new URL(import.meta.url)));
  }

  share(neighbours: Neighbours | null): Promise<void> {
    for (const worker of this.workers) worker.postMessage({ kind: 'share', neighbours });
    return Promise.resolve();
  }

  async all(tasks: readonly Task[]): Promise<(Digest | ReportedPage)[]> {
    const values: (Digest | ReportedPage)[] = new Array<Digest | ReportedPage>(tasks.length);
    let next = 0;
    const work = (worker: Worker) =>
      new Promise<void>((resolve, reject) => {
        const give = () => {
          if (next >= tasks.length) return void (worker.off('error', reject), resolve());
          const at = next++;
          worker.once('message', (reply: Reply) => {
            try {
              values[at] = unwrap(reply);
              give();
            } catch (error) {
              reject(error as Error);
            }
          });
          worker.postMessage(tasks[at]);
        };
        worker.once('error', reject);
        give();
      });
    await Promise.all(this.workers.map(work));
    return values;
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
