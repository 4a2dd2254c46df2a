import type { MendPart } from '@inkwell/core';

/** What a form of the thing in hand asks for: what is done to which uses, and new names of files. */
export interface WishedParts {
  parts: MendPart[];
  renames: { thing: string; name: string }[];
}
