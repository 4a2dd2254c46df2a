import { lookup } from '@inkwell/core';
import type { Parts } from './read';
import type { Kept, Piece } from './schema';

/**
 * The page's source after editing. Blocks that nobody touched, and all that lies between blocks, are written byte for byte as they
 * were; what was changed or added is written as sound markup. `originals` are the pieces as the editor first held them.
 */
export function writeText(parts: Parts, originals: readonly Piece[], pieces: readonly Piece[]): string {
  const newline = parts.gaps.some((gap) => gap.includes('\r\n')) || parts.blocks.some((block) => block.includes('\r\n')) ? '\r\n' : '\n';
  const anchored = anchoredPieces(pieces);
  let out = '';
  let before = -1;
  let fresh: string[] = [];
  const putFresh = (first: boolean) => {
    for (const text of fresh) out += first ? text + newline : newline + text;
    fresh = [];
  };
  for (const piece of pieces) {
    const text = writtenBlock(parts, originals, piece, newline);
    if (!anchored.has(piece)) {
      if (text !== '') fresh.push(text);
      continue;
    }
    const origin = originOf(piece)!;
    if (before === -1) {
      out += mergedGaps(parts.gaps, 0, origin);
      putFresh(true);
    } else {
      putFresh(false);
      out += mergedGaps(parts.gaps, before + 1, origin);
    }
    out += text;
    before = origin;
  }
  if (before === -1) {
    out += parts.gaps[0] ?? '';
    out += fresh.join(newline);
    return out + mergedGaps(parts.gaps, 1, parts.gaps.length - 1);
  }
  putFresh(false);
  return out + mergedGaps(parts.gaps, before + 1, parts.gaps.length - 1);
}

function originOf(piece: Piece): number | null {
  return (piece.attrs?.origin as number | null | undefined) ?? null;
}

/** Pieces that kept their order: the longest run of growing origins. Moved ones are written where they stand now. */
function anchoredPieces(pieces: readonly Piece[]): Set<Piece> {
  const known = pieces.filter((piece) => originOf(piece) !== null);
  const tails: number[] = [];
  const previous = known.map(() => -1);
  for (const [i, piece] of known.entries()) {
    const origin = originOf(piece)!;
    let [low, high] = [0, tails.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (originOf(known[tails[middle]!]!)! < origin) low = middle + 1;
      else high = middle;
    }
    previous[i] = low > 0 ? tails[low - 1]! : -1;
    tails[low] = i;
  }
  const found = new Set<Piece>();
  for (let at = tails.at(-1) ?? -1; at >= 0; at = previous[at]!) found.add(known[at]!);
  return found;
}

/** What lay around blocks that are gone: tags stay, and of mere white space the first. */
function mergedGaps(gaps: readonly string[], from: number, to: number): string {
  return gaps
    .slice(from, to + 1)
    .filter((gap, i) => i === 0 || /\S/.test(gap))
    .join('');
}

function writtenBlock(parts: Parts, originals: readonly Piece[], piece: Piece, newline: string): string {
  const origin = originOf(piece);
  if (origin !== null && originals[origin] && JSON.stringify(originals[origin]) === JSON.stringify(piece)) return parts.blocks[origin]!;
  const tail = origin === null ? '' : (/\s*$/.exec(parts.blocks[origin] ?? '')?.[0] ?? '');
  return block(piece, newline) + tail;
}

function block(piece: Piece, newline: string): string {
  const content = piece.content ?? [];
  switch (piece.type) {
    case 'opaque':
      return piece.attrs?.source as string;
    case 'paragraph':
      // The editor keeps an empty paragraph to type in; nobody wants it on the page.
      return content.length === 0 ? '' : `${open('p', piece)}${inline(content)}</p>`;
    case 'heading':
      return `${open(`h${piece.attrs?.level as number}`, piece)}${inline(content)}</h${piece.attrs?.level as number}>`;
    case 'blockquote':
      return `${open('blockquote', piece)}${newline}${content
        .map((child) => block(child, newline))
        .filter(Boolean)
        .join(newline)}${newline}</blockquote>`;
    case 'bulletList':
      return list('ul', piece, newline);
    case 'orderedList':
      return list('ol', piece, newline);
    case 'table':
      return table(piece, newline);
    default:
      return '';
  }
}

function list(tag: 'ul' | 'ol', piece: Piece, newline: string): string {
  const { start, type } = (piece.attrs ?? {}) as { start?: number; type?: string | null };
  const own = tag === 'ol' ? { ...(start !== undefined && start !== 1 ? { start: String(start) } : {}), ...(type ? { type } : {}) } : {};
  const items = (piece.content ?? []).map((item) => `${open('li', item)}${itemContent(item, newline)}</li>`);
  return `${open(tag, piece, own)}${newline}${items.join(newline)}${newline}</${tag}>`;
}

function itemContent(item: Piece, newline: string): string {
  const [first, ...rest] = item.content ?? [];
  const words = first?.type === 'paragraph' && !first.attrs?.kept ? inline(first.content ?? []) : first ? block(first, newline) : '';
  return [words, ...rest.map((child) => block(child, newline))].filter(Boolean).join(newline);
}

function table(piece: Piece, newline: string): string {
  const { caption, headRows } = (piece.attrs ?? {}) as { caption: string; headRows: number };
  const rows = (piece.content ?? []).map(
    (row) => `${open('tr', row)}${(row.content ?? []).map((cell) => tableCell(cell, newline)).join('')}</tr>`,
  );
  const head = rows.slice(0, headRows);
  const part = (tag: string, lines: readonly string[]) => (lines.length > 0 ? [`<${tag}>`, ...lines, `</${tag}>`] : []);
  const lines = [
    ...(caption ? [`<caption>${escapeText(caption)}</caption>`] : []),
    ...part('thead', head),
    ...part('tbody', rows.slice(headRows)),
  ];
  return `${open('table', piece)}${newline}${lines.join(newline)}${newline}</table>`;
}

function tableCell(cell: Piece, newline: string): string {
  const tag = cell.type === 'tableHeader' ? 'th' : 'td';
  const { rowspan = 1, colspan = 1, scope } = (cell.attrs ?? {}) as { rowspan?: number; colspan?: number; scope?: string | null };
  const own = {
    ...(scope && tag === 'th' ? { scope } : {}),
    ...(rowspan > 1 ? { rowspan: String(rowspan) } : {}),
    ...(colspan > 1 ? { colspan: String(colspan) } : {}),
  };
  const [only, ...more] = cell.content ?? [];
  const content =
    only && more.length === 0 && only.type === 'paragraph' && !only.attrs?.kept
      ? inline(only.content ?? [])
      : (cell.content ?? []).map((child) => block(child, newline)).join('');
  return `${open(tag, cell, own)}${content}</${tag}>`;
}

interface MarkOf {
  type: string;
  attrs?: Record<string, unknown>;
}

/** Text with its marks opened and closed as little as they can be. */
function inline(pieces: readonly Piece[]): string {
  let out = '';
  const stack: MarkOf[] = [];
  const closeTo = (depth: number) => {
    while (stack.length > depth) out += `</${markTag(stack.pop()!)}>`;
  };
  for (const piece of pieces) {
    const marks = (piece.marks ?? []) as MarkOf[];
    let same = 0;
    while (same < marks.length && same < stack.length && JSON.stringify(marks[same]) === JSON.stringify(stack[same])) same++;
    closeTo(same);
    for (const mark of marks.slice(same)) {
      out += `<${markTag(mark)}${attributes({ ...(mark.type === 'link' ? { href: mark.attrs?.href as string } : {}), ...((mark.attrs?.kept as Kept | null) ?? {}) })}>`;
      stack.push(mark);
    }
    out += leaf(piece);
  }
  closeTo(0);
  return out;
}

function markTag(mark: MarkOf): string {
  const tags: Record<string, string> = { bold: 'strong', italic: 'em', link: 'a' };
  return lookup(tags, mark.type) ?? (mark.attrs?.tag as string | undefined) ?? 'span';
}

function leaf(piece: Piece): string {
  if (piece.type === 'hardBreak') return '<br>';
  if (piece.type !== 'image') return escapeText(piece.text ?? '');
  const { src, alt, kept } = (piece.attrs ?? {}) as { src: string; alt: string | null; kept: Kept | null };
  return `<img${attributes({ src, ...(alt === null ? {} : { alt }), ...kept })}>`;
}

function open(tag: string, piece: Piece, own: Kept = {}): string {
  return `<${tag}${attributes({ ...own, ...((piece.attrs?.kept as Kept | null | undefined) ?? {}) })}>`;
}

function attributes(values: Kept): string {
  return Object.entries(values)
    .map(([name, value]) => ` ${name}="${value.replaceAll('&', '&amp;').replaceAll('"', '&quot;')}"`)
    .join('');
}

function escapeText(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('\u00a0', '&nbsp;');
}
