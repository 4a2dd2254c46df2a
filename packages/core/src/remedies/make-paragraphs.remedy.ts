import { tidy, elementParent, elementsIn, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { type Passage } from '../semantics/passages.ts';
import type { Edit } from '../source/edits.ts';
import { insertAt, NO_SOURCE } from './markup.ts';
import { decline, planned, type Plan, type Remedy } from './types.ts';
import { brokenParagraphs } from '../semantics/brokenParagraphs.ts';
import { styleOf } from '../style/cascade.ts';
import { shownText } from '../semantics/names.ts';
import { isBlock } from '../semantics/blocks.ts';

/** Makes paragraphs of pieces that double breaks part, or of text that stands in none. */
export const remedy: Remedy = {
  name: 'make-paragraphs',
  label: 'Make paragraphs of it',
  certain: true,
  fields: [],
  plan({ page, element, finding }) {
    const found = brokenParagraphs(page).find(
      ({ passage, kind }) => passage.block === element && kind === finding.message && passage.first.range?.start === finding.at.start,
    );
    if (!found) return decline('This text is no longer there.');
    const { passage, kind } = found;
    if (!isWritten(passage)) return decline(NO_SOURCE);
    const pieces = passage.text.split(/\n{2,}/).filter((piece) => tidy(piece) !== '');
    // A bold piece of its own would be a paragraph that looks like a heading: whoever knows has to say which it is.
    if (hasBoldPiece(page, passage, pieces)) return decline('One of the pieces looks like a heading; settle that first.');
    return kind === 'loose' ? wrap(page, passage) : splitAtBreaks(page, element, passage);
  },
};

/** Whether all of a passage's text stands in the source between its first node and its last: markup left open may have no place there. */
function isWritten({ texts, first, last }: Passage): boolean {
  const [start, end] = [first.range?.start ?? Infinity, last.range?.end ?? 0];
  return texts.every(({ range }) => range !== null && range.start >= start && range.end <= end);
}

/** Whether a piece between breaks is all bold, or begins with a bold line. */
function hasBoldPiece(page: Page, passage: Passage, pieces: readonly string[]): boolean {
  const bold = new Set<string>();
  for (const text of passage.texts) {
    const element = elementParent(text)!;
    if (tidy(text.text) !== '' && styleOf(page, element).fontWeight >= 600) bold.add(tidy(shownText(page, element, 200)));
  }
  return pieces.some((piece) => bold.has(tidy(piece)) || bold.has(tidy(piece.split('\n')[0]!)));
}

function wrap(page: Page, { first, last, block }: Passage): Plan {
  if (!first.range || !last.range) return decline(NO_SOURCE);
  const own = block.children.slice(block.children.indexOf(first), block.children.indexOf(last) + 1);
  // Blocks inside inline markup would break out of a paragraph.
  if (own.some((node) => node.kind === 'element' && [node, ...elementsIn(node)].some(isBlock)))
    return decline('Blocks stand inside this text; part it in Source.');
  const [start, end] = trimmed(page, first.range.start, last.range.end);
  return planned(insertAt(start, '<p>'), insertAt(end, '</p>'));
}

function trimmed(page: Page, from: number, to: number): [number, number] {
  let [start, end] = [from, to];
  while (start < end && /\s/.test(page.source[start]!)) start++;
  while (end > start && /\s/.test(page.source[end - 1]!)) end--;
  return [start, end];
}

/** Each run of two breaks ends one paragraph and begins the next; in a block that is no paragraph, the pieces are wrapped. */
function splitAtBreaks(page: Page, block: ElementNode, passage: Passage): Plan {
  const runs = runsOf(page, passage.breaks);
  if (!runs || runs.length === 0) return decline(NO_SOURCE);
  if (passage.breaks.some((one) => one.parent !== block)) return decline('The breaks stand inside other markup; fix them in Source.');
  const isParagraph = block.tag === 'p';
  if (isParagraph && !block.startTag) return decline(NO_SOURCE);
  const open = isParagraph ? `<p${sharedAttributes(page, block)}>` : '<p>';
  // Breaks before the first piece and after the last part nothing.
  const [firstText, lastText] = edgesOf(passage);
  const edits: Edit[] = runs.map((run) => {
    const [start, end] = [run[0]!.range!.start, run.at(-1)!.range!.end];
    return { start, end, text: end <= firstText || start >= lastText ? '' : `</p>\n${open}` };
  });
  if (isParagraph) return planned(edits);
  if (!passage.first.range || !passage.last.range) return decline(NO_SOURCE);
  const [start, end] = trimmed(page, passage.first.range.start, passage.last.range.end);
  return planned(insertAt(start, '<p>'), edits, insertAt(end, '</p>'));
}

/** Where the words of a passage begin and end in the source. */
function edgesOf({ texts }: Passage): [number, number] {
  const real = texts.filter((text) => tidy(text.text) !== '' && text.range);
  return [real[0]?.range?.start ?? 0, real.at(-1)?.range?.end ?? Infinity];
}

/** Breaks with nothing but white space between, two and more; null without a source. */
function runsOf(page: Page, breaks: readonly ElementNode[]): ElementNode[][] | null {
  const runs: ElementNode[][] = [];
  for (const one of breaks) {
    if (!one.range) return null;
    const last = runs.at(-1)?.at(-1);
    if (last && /^(?:\s|&nbsp;|&#160;)*$/.test(page.source.slice(last.range!.end, one.range.start))) runs.at(-1)!.push(one);
    else runs.push([one]);
  }
  return runs.filter((run) => run.length >= 2);
}

/** A paragraph's attributes for the ones made of it; an id may stand only once. */
function sharedAttributes(page: Page, block: ElementNode): string {
  return block.attributes
    .filter((attribute) => attribute.name !== 'id' && attribute.range)
    .map((attribute) => ` ${page.source.slice(attribute.range!.start, attribute.range!.end)}`)
    .join('');
}
