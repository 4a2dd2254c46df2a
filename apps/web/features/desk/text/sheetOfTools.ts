import type { Editor } from '@tiptap/react';

export type Chain = ReturnType<Editor['chain']>;

/** What every sheet of the tools is given: when it is done, its act runs once the sheet has gone and the text has the focus. */
export interface SheetOfTools {
  editor: Editor;
  onClose(): void;
  onDone(act: (chain: Chain) => Chain): void;
}
