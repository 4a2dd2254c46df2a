import { diffArrays } from 'diff';
import { changeOf, changeBetween, type Change, type Edit } from '../source/edits.ts';

/** Pieces that may differ before two texts count as different altogether: beyond it the search takes longer than it is worth. */
const MOST_DIFFERENT = 1_200;

/**
 * What differs between two texts, as spans: a tag, a word with the space behind it, at least. Two that have little in common are one span.
 *
 * @param cut what a text is cut into, where spans are to be of other pieces
 * @see E. W. Myers, "An O(ND) difference algorithm and its variations", 1986, which the library follows
 */
export function difference(before: string, after: string, cut = piecesOf): Change {
  const single = changeBetween(before, after);
  const [span] = single.edits;
  if (!span || (cut === piecesOf && (span.start === span.end || span.text === ''))) return single;
  const parts = diffArrays(cut(before), cut(after), { maxEditLength: MOST_DIFFERENT });
  if (!parts) return single;
  const edits: Edit[] = [];
  let at = 0;
  for (const { value, added, removed } of parts) {
    const text = value.join('');
    const last = edits.at(-1);
    if (removed) edits.push({ start: at, end: (at += text.length), text: '' });
    else if (!added) at += text.length;
    else if (last?.end === at && last.text === '') last.text = text;
    else edits.push({ start: at, end: at, text });
  }
  const change = changeOf(before, edits);
  return change.ok ? change.value : single;
}

/** A text cut into tags, words and white space; joined they are the text again. */
function piecesOf(text: string): string[] {
  return text.match(/<[^<>]*>|[^<>\s]+|\s+|[<>]/g) ?? [];
}
