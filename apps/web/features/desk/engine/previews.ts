import {
  applyRemedy,
  arrange,
  elementAt,
  inspectStructure,
  mapOffset,
  offersFor,
  outline,
  parseAgain,
  sentenceOf,
  speakPage,
  speakRange,
  speakWhole,
  type Arrangement,
  type Change,
  type Finding,
  type Inputs,
  type Page,
  type RemedyName,
  type SpokenLine,
} from '@inkwell/core';
import type { Arranged, OneOfMany, Preview, Side } from './protocol';

/** Longest piece of markup shown beside a preview. */
const LONGEST_MARKUP = 360;

/** What a remedy proposes for a finding before anybody has typed. */
export function proposalOf(page: Page, finding: Finding, remedy: RemedyName): Inputs {
  return offersFor(page, finding).find((offer) => offer.name === remedy)?.inputs ?? {};
}

export function oneOfMany(page: Page, finding: Finding, remedy: string, inputs: Inputs): OneOfMany {
  return { line: finding.at.line, sentence: sentenceOf(finding), preview: previewOf(page, finding, remedy, inputs) };
}

export function previewOf(page: Page, finding: Finding, remedy: string, inputs: Inputs): Preview {
  const result = applyRemedy(page, finding, remedy, inputs);
  if (!result.ok) return result;
  const after = reparsed(page, result.value.after);
  if (remedy === 'repair-outline') return { ok: true, now: outlineSide(page), then: outlineSide(after) };
  const { now, then } = rangesAround(finding, result.value.change);
  const say = finding.family === 'document' ? speakWhole : speakRange;
  return { ok: true, now: side(page, now, say), then: side(after, then, say) };
}

function reparsed(page: Page, after: string): Page {
  return parseAgain(page, after);
}

/** How a changed structure is read: of a table its grid with the headers as they will be told, of a flattened one its lines in order. */
export function arranged(page: Page, arrangement: Arrangement): Arranged {
  const result = arrange(page, arrangement);
  if (!result.ok) return result;
  const after = reparsed(page, result.value.after);
  if (arrangement.kind === 'table')
    return { ok: true, lines: [], table: inspectStructure(after, []).tables.find((one) => one.path === arrangement.path) ?? null };
  const [edit] = result.value.change.edits;
  return {
    ok: true,
    lines: arrangement.kind === 'flatten' && edit ? linesWithin(after, { start: edit.start, end: edit.start + edit.text.length }) : [],
    table: null,
  };
}

/** What is said of the elements that begin in a stretch of the source. */
function linesWithin(page: Page, { start, end }: Stretch): SpokenLine[] {
  return speakPage(page).filter(({ path }) => {
    const range = elementAt(page, path)?.range;
    return range != null && range.start >= start && range.start < end;
  });
}

interface Stretch {
  start: number;
  end: number;
}

/** The finding's stretch of source before and after, widened to hold every edit. */
function rangesAround(finding: Finding, change: Change): { now: Stretch; then: Stretch } {
  const first = change.edits[0]!;
  const last = change.edits.at(-1)!;
  const now = { start: Math.min(finding.at.start, first.start), end: Math.max(finding.at.end, last.end) };
  const grown = change.edits.reduce((sum, edit) => sum + edit.text.length - (edit.end - edit.start), 0);
  return { now, then: { start: mapOffset(change, now.start, -1) ?? now.start, end: now.end + grown } };
}

function side(page: Page, range: Stretch, say: (page: Page, range: Stretch) => string): Side {
  return { spoken: say(page, range), markup: shortened(page.source.slice(range.start, range.end)) };
}

function outlineSide(page: Page): Side {
  return {
    spoken: outline(page)
      .map((heading) => `${heading.level} ${heading.name}`)
      .join(' · '),
    markup: '',
  };
}

function shortened(markup: string): string {
  return markup.length > LONGEST_MARKUP ? `${markup.slice(0, LONGEST_MARKUP)} …` : markup;
}
