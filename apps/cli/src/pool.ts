import { availableParallelism } from 'node:os';
import { parentPort, Worker } from 'node:worker_threads';
import type { Profile, Scope } from '@inkwell/core';
import { CallError } from './call.ts';
import { examine, type ReportedPage } from './examine.ts';
import { readPage, type PageFile } from './pages.ts';

/** Fewer pages than this are done sooner than workers start. */
const WORTH_WORKERS = 12;

interface Task {
  page: PageFile;
  profile: Profile;
  scope: Scope | undefined;
}
type Reply = { ok: true; page: ReportedPage } | { ok: false; why: string };

async function run({ page, profile, scope }: Task): Promise<Reply> {
  try {
    return { ok: true, page: examine(page.path, await readPage(page), profile, scope) };
  } catch (error) {
    if (error instanceof CallError) return { ok: false, why: error.message };
    throw error;
  }
}

/** Examines pages, in parallel when there are many; the reports come in the order of the pages. */
export async function examineAll(pages: readonly PageFile[], profile: Profile, scope: Scope | undefined): Promise<ReportedPage[]> {
  const tasks = pages.map((page): Task => ({ page, profile, scope }));
  const replies = pages.length < WORTH_WORKERS ? await inTurn(tasks) : await inParallel(tasks);
  return replies.map((reply) => {
    if (!reply.ok) throw new CallError(reply.why);
    return reply.page;
  });
}

async function inTurn(tasks: readonly Task[]): Promise<Reply[]> {
  const replies: Reply[] = [];
  for (const task of tasks) replies.push(await run(task));
  return replies;
}

async function inParallel(tasks: readonly Task[]): Promise<Reply[]> {
  const replies: Reply[] = new Array<Reply>(tasks.length);
  let next = 0;
  const work = () =>
    new Promise<void>((resolve, reject) => {
      const worker = new Worker(new URL(import.meta.url));
      const give = () => {
        if (next >= tasks.length) return void worker.terminate().then(() => resolve());
        const at = next++;
        worker.once('message', (reply: Reply) => {
          replies[at] = reply;
          give();
        });
        worker.postMessage(tasks[at]);
      };
      worker.once('error', reject);
      give();
    });
  await Promise.all(Array.from({ length: Math.min(availableParallelism(), tasks.length) }, work));
  return replies;
}

/** What a worker thread does: one page at a time, for as long as it is given any. */
export function serveAudits(): void {
  parentPort!.on('message', (task: Task) => void run(task).then((reply) => parentPort!.postMessage(reply)));
}
