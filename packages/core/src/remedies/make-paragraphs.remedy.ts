import type { ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { passagesByBlock, type Passage } from '../semantics/passages.ts';
import type { Edit } from '../source/edits.ts';
import { insertAt, NO_SOURCE } from './markup.ts';
import { decline, planned, type Plan, type Remedy } from './types.ts';

/** Makes paragraphs of pieces that double breaks part, or of text that stands in none. */
export const remedy: Remedy = {
  name: 'make-paragraphs',
  label: 'Make paragraphs of it',
  certain: true,
  fields: [],
  plan({ page, element, finding }) {
    const all = passagesByBlock(page).get(element) ?? [];
    if (finding.message === 'loose') {
      const loose = all.find((passage) => passage.first.range?.start === finding.at.start);
      return loose ? wrap(page, loose) : decline('This text is no longer there.');
    }
    const broken = all.find((passage) => passage.breaks.length > 1);
    return broken ? splitAtBreaks(page, element, broken) : decline('The breaks are no longer there.');
  },
};

function wrap(page: Page, { first, last }: Passage): Plan {
  if (!first.range || !last.range) return decline(NO_SOURCE);
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
  if (runs.some((run) => run[0]!.parent !== block)) return decline('The breaks stand inside other markup; fix them in Source.');
  const isParagraph = block.tag === 'p';
  if (isParagraph && !block.startTag) return decline(NO_SOURCE);
  const open = isParagraph ? `<p${sharedAttributes(page, block)}>` : '<p>';
  const edits: Edit[] = runs.map((run) => ({ start: run[0]!.range!.start, end: run.at(-1)!.range!.end, text: `</p>\n${open}` }));
  if (isParagraph) return planned(...edits);
  if (!passage.first.range || !passage.last.range) return decline(NO_SOURCE);
  const [start, end] = trimmed(page, passage.first.range.start, passage.last.range.end);
  return planned(insertAt(start, '<p>'), ...edits, insertAt(end, '</p>'));
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
