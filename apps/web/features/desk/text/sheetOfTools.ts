import type { Editor } from '@tiptap/react';
import type { PagePlace } from '../choose/place';
import type { PageText } from '../engine/protocol';
import type { Engine } from '../engine/useEngine';

export type Chain = ReturnType<Editor['chain']>;

/** What every sheet of the tools is given: when it is done, its act runs once the sheet has gone and the text has the focus. */
export interface SheetOfTools {
  editor: Editor;
  /** Looks at what is written before it is put in. */
  engine: Engine;
  page: PageText;
  /** Where the page stands, for what is chosen from its collection. */
  place: PagePlace;
  onClose(): void;
  onDone(act: (chain: Chain) => Chain): void;
}

const escaped = (text: string) => text.trim().replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;');

/** An element as markup, for the engine to look at before it is one. */
export function markupOf(tag: string, attributes: Readonly<Record<string, string>>, text?: string): string {
  const written = Object.entries(attributes).map(([name, value]) => ` ${name}="${escaped(value)}"`);
  return `<${tag}${written.join('')}>${text === undefined ? '' : `${escaped(text)}</${tag}>`}`;
}
