import { applyEdits, type Edit } from '../source/edits.ts';
import { difference } from './difference.ts';

/** A stretch of a text that two people changed, each from the same one before. */
export type Piece =
  /** `by`: whose change it is; null where nobody changed it, or both did the same. */
  | { kind: 'agreed'; text: string; by: 'mine' | 'theirs' | null }
  /** Both changed it, and not alike. */
  | { kind: 'apart'; base: string; mine: string; theirs: string };

/**
 * Brings two changes of one text together. What only one side changed is taken from it; where both changed the same block (a paragraph, a
 * cell, a list item, or a line between them) and not alike, the two stand apart, and a person chooses.
 *
 * @see S. Khanna, K. Kunal, B. C. Pierce, "A formal investigation of diff3", 2007, whose stable and unstable chunks these are
 */
export function mergeTexts(base: string, mine: string, theirs: string): Piece[] {
  const [own, other] = [mine, theirs].map((text) => difference(base, text, blocksOf).edits) as [readonly Edit[], readonly Edit[]];
  const pieces: Piece[] = [];
  let at = 0;
  const agree = (text: string, by: 'mine' | 'theirs' | null) => text !== '' && pieces.push({ kind: 'agreed', text, by });
  for (const cluster of clustersOf(own, other)) {
    agree(base.slice(at, cluster.start), null);
    const was = base.slice(cluster.start, cluster.end);
    const became = (edits: readonly Edit[]) =>
      applyEdits(
        was,
        edits.map((edit) => ({ ...edit, start: edit.start - cluster.start, end: edit.end - cluster.start })),
      );
    const sides = { mine: became(cluster.own), theirs: became(cluster.other) };
    if (cluster.own.length === 0) pieces.push({ kind: 'agreed', text: sides.theirs, by: 'theirs' });
    else if (cluster.other.length === 0) pieces.push({ kind: 'agreed', text: sides.mine, by: 'mine' });
    else if (sides.mine === sides.theirs) agree(sides.mine, null);
    else pieces.push({ kind: 'apart', base: was, ...sides });
    at = cluster.end;
  }
  agree(base.slice(at), null);
  return pieces;
}

/** The text of pieces that all agree; null where a person has to choose. */
export function mergedText(pieces: readonly Piece[]): string | null {
  return pieces.some((piece) => piece.kind === 'apart')
    ? null
    : pieces.map((piece) => (piece.kind === 'agreed' ? piece.text : '')).join('');
}

/** Whether a stretch of the newer of two texts stands there as it stood in the older one. */
export function isUntouched(older: string, newer: string, { start, end }: { start: number; end: number }): boolean {
  return difference(newer, older).edits.every((edit) => edit.end <= start || edit.start >= end);
}

interface Cluster {
  start: number;
  end: number;
  own: Edit[];
  other: Edit[];
}

/** Edits of both sides in the order of the text, those together that speak of the same place. */
function clustersOf(own: readonly Edit[], other: readonly Edit[]): Cluster[] {
  const all = [...own.map((edit) => ({ edit, side: 'own' as const })), ...other.map((edit) => ({ edit, side: 'other' as const }))].sort(
    (a, b) => a.edit.start - b.edit.start || a.edit.end - b.edit.end,
  );
  const clusters: Cluster[] = [];
  for (const { edit, side } of all) {
    const last = clusters.at(-1);
    if (last && meets(last, edit)) {
      last.end = Math.max(last.end, edit.end);
      last[side].push(edit);
    } else clusters.push({ start: edit.start, end: edit.end, own: [], other: [], [side]: [edit] });
  }
  return clusters;
}

/** What is put in right before or behind a changed block has its own place; what both put in at one point has no order. */
const meets = (cluster: Cluster, edit: Edit) =>
  edit.start < cluster.end || (cluster.start === cluster.end && edit.start === edit.end && edit.start === cluster.start);

const BLOCK_TAGS =
  'address|article|aside|blockquote|body|caption|center|dd|details|div|dl|dt|fieldset|figcaption|figure|footer|form|h[1-6]|head|header|hr|' +
  'img|legend|li|link|main|meta|nav|ol|p|pre|section|summary|table|tbody|td|tfoot|th|thead|title|tr|ul';
const AT_BLOCKS = new RegExp(`(?=</?(?:${BLOCK_TAGS})(?=[\\s>/]))|(?<=\\n)`, 'i');

/** A text cut before the tags of blocks and images, and at the ends of lines; joined it is the text again. */
function blocksOf(text: string): string[] {
  return text.split(AT_BLOCKS);
}
