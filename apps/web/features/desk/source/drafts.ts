import { openDB, type IDBPDatabase } from 'idb';

/** Source that was typed and not saved, kept in this browser until it is saved or dropped. */
export interface Draft {
  /** The page's version it began from, and the number of its revision then. */
  base: number;
  revision: number;
  html: string;
  at: string;
}

/** Where drafts are kept. Each is one person's, of one page: two who share a browser do not write over each other. */
export interface DraftShelf {
  read(): Promise<Draft | null>;
  /** False when the browser would not keep it: full, or told not to. Of several asked for at once only the last is kept. */
  keep(draft: Draft): Promise<boolean>;
  drop(): Promise<void>;
}

const NAME = 'inkwell';
const STORE = 'drafts';

let opened: Promise<IDBPDatabase> | null = null;

/** The browser's own database: unlike its storage of texts it holds pages of many megabytes. */
function database(): Promise<IDBPDatabase> {
  opened ??= openDB(NAME, 1, { upgrade: (db) => void db.createObjectStore(STORE) }).catch((error: unknown) => {
    opened = null;
    throw error;
  });
  return opened;
}

export function draftsOf(person: string, pageId: number): DraftShelf {
  const key = `${person} ${pageId}`;
  return new OneAtATime({
    read: async () => asDraft(await (await database()).get(STORE, key)) ?? formerDraft(pageId),
    keep: async (draft) => void (await (await database()).put(STORE, draft, key)),
    drop: async () => {
      localStorage.removeItem(formerKey(pageId));
      await (await database()).delete(STORE, key);
    },
  });
}

interface Keeper {
  read(): Promise<Draft | null>;
  keep(draft: Draft): Promise<void>;
  drop(): Promise<void>;
}

/** Writes one after another; while one is being written only the newest waits. A browser that refuses is answered for, never thrown. */
export class OneAtATime implements DraftShelf {
  private running: Promise<boolean> | null = null;
  private next: { draft: Draft | null; done: Promise<boolean>; tell: (kept: boolean) => void } | null = null;

  constructor(private readonly keeper: Keeper) {}

  read(): Promise<Draft | null> {
    return this.keeper.read().catch(() => null);
  }

  keep(draft: Draft): Promise<boolean> {
    return this.write(draft);
  }

  async drop(): Promise<void> {
    await this.write(null);
  }

  private write(draft: Draft | null): Promise<boolean> {
    if (this.running) {
      if (this.next) this.next.draft = draft;
      else {
        let tell: (kept: boolean) => void = () => undefined;
        const done = new Promise<boolean>((resolve) => (tell = resolve));
        this.next = { draft, done, tell };
      }
      return this.next.done;
    }
    this.running = (draft ? this.keeper.keep(draft) : this.keeper.drop())
      .then(
        () => true,
        () => false,
      )
      .finally(() => this.goOn());
    return this.running;
  }

  private goOn(): void {
    this.running = null;
    const { next } = this;
    this.next = null;
    if (next) void this.write(next.draft).then(next.tell);
  }
}

function asDraft(value: unknown): Draft | null {
  const draft = value as Partial<Draft> | null | undefined;
  return draft && typeof draft.base === 'number' && typeof draft.html === 'string'
    ? { base: draft.base, revision: draft.revision ?? 0, html: draft.html, at: draft.at ?? '' }
    : null;
}

const formerKey = (pageId: number) => `inkwell-draft-${pageId}`;

/**
 * A draft as it was kept before drafts had a person and a database. It knew its revision only: as its base is not known, saving it
 * shows both texts first.
 */
function formerDraft(pageId: number): Draft | null {
  try {
    const draft = JSON.parse(localStorage.getItem(formerKey(pageId)) ?? 'null') as { base?: unknown; html?: unknown; at?: string } | null;
    return draft && typeof draft.base === 'number' && typeof draft.html === 'string'
      ? { base: 0, revision: draft.base, html: draft.html, at: draft.at ?? '' }
      : null;
  } catch {
    return null;
  }
}
