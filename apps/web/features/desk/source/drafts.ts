/** Source that was typed and not saved, kept in this browser until it is saved or dropped. */
export interface Draft {
  /** The revision it began from. */
  base: number;
  html: string;
  at: string;
}

const keyOf = (pageId: number) => `inkwell-draft-${pageId}`;

export function readDraft(storage: Storage, pageId: number): Draft | null {
  try {
    const draft = JSON.parse(storage.getItem(keyOf(pageId)) ?? 'null') as Partial<Draft> | null;
    return draft && typeof draft.base === 'number' && typeof draft.html === 'string' ? { base: draft.base, html: draft.html, at: draft.at ?? '' } : null;
  } catch {
    return null;
  }
}

/** False when the browser would not keep it: full, or told not to. */
export function keepDraft(storage: Storage, pageId: number, draft: Draft): boolean {
  try {
    storage.setItem(keyOf(pageId), JSON.stringify(draft));
    return true;
  } catch {
    return false;
  }
}

export function dropDraft(storage: Storage, pageId: number): void {
  storage.removeItem(keyOf(pageId));
}
