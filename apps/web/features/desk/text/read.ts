import type { TextBlock } from '@inkwell/core';
import { DOMParser as SchemaParser, type Schema } from '@tiptap/pm/model';
import type { Piece } from './schema';

/** A page's source taken apart: its blocks, and what lies before, between and after them (one more). */
export interface Parts {
  blocks: string[];
  gaps: string[];
}

export function partsOf(source: string, blocks: readonly TextBlock[]): Parts {
  const gaps = blocks.map((block, i) => source.slice(i === 0 ? 0 : blocks[i - 1]!.end, block.start));
  return { blocks: blocks.map((block) => source.slice(block.start, block.end)), gaps: [...gaps, source.slice(blocks.at(-1)?.end ?? 0)] };
}

/** The pieces of a text for the editor, one for each block. What it would not show whole stays as it is. */
export function readPieces(schema: Schema, source: string, blocks: readonly TextBlock[]): Piece[] {
  return blocks.map((block, origin) => {
    const written = source.slice(block.start, block.end);
    const piece = block.understood ? readPiece(schema, written) : null;
    return withOrigin(piece ?? { type: 'opaque', attrs: { source: written } }, origin);
  });
}

function withOrigin(piece: Piece, origin: number): Piece {
  return { ...piece, attrs: { ...piece.attrs, origin } };
}

/** One block read with the editor's schema; null when anything of it would be lost. */
export function readPiece(schema: Schema, written: string): Piece | null {
  const pieces = readAll(schema, written);
  return pieces?.length === 1 ? pieces[0]! : null;
}

/** Images that lie on the writer's machine, or nowhere. */
const NOT_HERE = /^(?:file|cid|blob|data):/i;

/** What can be read of markup from elsewhere, and what had to be left out of it, in words. */
export function readPasted(schema: Schema, written: string): { pieces: Piece[]; left: string | null } {
  const { body } = new DOMParser().parseFromString(written, 'text/html');
  const away = [...body.querySelectorAll('img')].filter((image) => NOT_HERE.test(image.getAttribute('src') ?? ''));
  for (const image of away) image.remove();
  const pieces = (SchemaParser.fromSchema(schema).parse(body).toJSON() as Piece).content ?? [];
  return {
    pieces,
    left:
      away.length === 0
        ? null
        : `${away.length === 1 ? 'One image was' : `${away.length} images were`} not taken over: bring the files into the collection, then put them in.`,
  };
}

/** Blocks of markup read with the editor's schema; null when anything of them would be lost. */
export function readAll(schema: Schema, written: string): Piece[] | null {
  // An inert document: nothing in it runs or loads.
  const { body } = new DOMParser().parseFromString(written, 'text/html');
  const expected = {
    words: wordsOf(body.textContent),
    images: body.querySelectorAll('img').length,
    breaks: body.querySelectorAll('br').length,
  };
  for (const caption of body.querySelectorAll('caption')) {
    // A caption is an attribute of its table here, not one of its cells.
    caption.parentElement!.setAttribute('data-kept-caption', caption.textContent.trim());
    caption.remove();
  }
  const doc = SchemaParser.fromSchema(schema).parse(body);
  const json = doc.toJSON() as Piece;
  const found = { words: '', images: 0, breaks: 0 };
  count(json, found);
  if (wordsOf(found.words) !== expected.words || found.images !== expected.images || found.breaks < expected.breaks) return null;
  return json.content ?? [];
}

/** Without white space: where blocks begin and end it may differ, words may not. */
function wordsOf(text: string | null): string {
  return (text ?? '').replace(/\s+/g, '');
}

function count(piece: Piece, found: { words: string; images: number; breaks: number }): void {
  if (piece.type === 'table') found.words += (piece.attrs?.caption as string | undefined) ?? '';
  if (piece.type === 'image') found.images++;
  if (piece.type === 'hardBreak') found.breaks++;
  found.words += piece.text ?? '';
  for (const child of piece.content ?? []) count(child, found);
}
