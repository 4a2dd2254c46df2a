import { neighboursFrom, type Digest, type Neighbours } from '@inkwell/core';
import { decodeHtml, readPlace, siteOrder, UnreadableEntry, type SourceFile, type Trouble } from '@inkwell/formats';
import { CallError } from './call.ts';
import type { Opened, PageFile, Whole } from './pages.ts';
import { crewFor, type Crew } from './pool.ts';
import { LONGEST_SHEET } from './surroundings.ts';
import type { Answers, Task } from './tasks.ts';

/** The pages of one collection, or pages that stand alone, in reading order, with what they know of one another. */
export interface Group {
  whole: Whole | null;
  pages: readonly PageFile[];
  neighbours: Neighbours | null;
  title: string;
}

/** Style sheets that are held at once, in characters. */
const MOST_SHEETS = 32_000_000;

/**
 * Does tasks on the pages of a call, group after group. Every page of a collection is read once for what the others need of it; what
 * cannot be read is told as a trouble of the collection, and alone it ends the call.
 */
export class Session {
  private readonly crew: Crew;

  constructor(private readonly opened: Opened) {
    this.crew = crewFor(opened.pages.length);
  }

  async *groups(): AsyncGenerator<Group> {
    for (const pages of inRuns(this.opened.pages)) {
      const whole = pages[0]!.of === null ? null : this.opened.wholes[pages[0]!.of]!;
      const group = whole ? await this.known(whole, pages) : { whole, pages, neighbours: null, title: '' };
      this.crew.share(group.neighbours);
      yield group;
    }
  }

  /** What comes of a task for each page, or file, of a group. */
  async *results<K extends keyof Answers>(group: Group, tasks: readonly Task<K>[], pathOf: (task: Task<K>) => string) {
    for await (const { task, reply } of this.crew.inOrder(tasks)) {
      if (reply.ok) yield { task, value: reply.value };
      else if (reply.call) throw new CallError(reply.why);
      else if (group.whole) addTrouble(group.whole, pathOf(task), reply.why);
      else throw new CallError(`${pathOf(task)} ${reply.why}`);
    }
  }

  close(): Promise<void> {
    return this.crew.close();
  }

  private async known(whole: Whole, pages: readonly PageFile[]): Promise<Group> {
    const digests = new Map<PageFile, Digest>();
    for await (const { task, reply } of this.crew.inOrder(pages.map((page): Task<'digest'> => ({ kind: 'digest', page })))) {
      const trouble = reply.ok ? reply.value.trouble : reply.why;
      if (trouble !== null) addTrouble(whole, task.page.path, trouble);
      if (reply.ok) digests.set(task.page, reply.value);
    }
    const readable = pages.filter((page) => digests.has(page));
    const order = whole.kind === 'site' ? siteOrder(readable, (page) => digests.get(page)!.links.map(({ path }) => path)) : readable;
    const sheets = await this.sheetsOf(whole);
    const neighbours = neighboursFrom([...digests.values()], whole.known, sheets, whole.led);
    return { whole, pages: order, neighbours, title: whole.title || (order[0] ? digests.get(order[0])!.title : '') };
  }

  /** Texts of the style sheets in a collection. */
  private async sheetsOf(whole: Whole): Promise<Record<string, string>> {
    const sheets: Record<string, string> = {};
    let held = 0;
    for (const file of whole.files.filter(({ path, size }) => /\.css$/i.test(path) && size <= LONGEST_SHEET)) {
      const text = await textOf(file, whole.troubles);
      if ((held += text?.length ?? 0) > MOST_SHEETS) break;
      if (text !== null) sheets[file.path] = text;
    }
    return sheets;
  }
}

async function textOf(file: SourceFile, troubles: Trouble[]): Promise<string | null> {
  try {
    const read = decodeHtml(await readPlace(file.place, LONGEST_SHEET));
    return read.ok ? read.text : null;
  } catch (error) {
    if (!(error instanceof UnreadableEntry)) throw error;
    troubles.push({ path: file.path, what: error.message });
    return null;
  }
}

/** A trouble is told once, however often it is met. */
function addTrouble({ troubles }: Whole, path: string, what: string): void {
  if (!troubles.some((one) => one.path === path && one.what === what)) troubles.push({ path, what });
}

/** Runs of pages of one collection, in order. */
function inRuns(pages: readonly PageFile[]): PageFile[][] {
  const runs: PageFile[][] = [];
  for (const page of pages) {
    if (runs.at(-1)?.[0]!.of === page.of) runs.at(-1)!.push(page);
    else runs.push([page]);
  }
  return runs;
}
