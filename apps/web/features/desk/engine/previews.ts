import {
  applyRemedy,
  arrange,
  elementAt,
  inspectStructure,
  looksOf,
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
import type { Arranged, OneOfMany, Preview, Shows, Side } from './protocol';

/** Longest piece of markup shown beside a preview. */
const LONGEST_MARKUP = 360;

/** What a remedy proposes for a finding before anybody has typed. */
export function proposalOf(page: Page, finding: Finding, remedy: RemedyName): Inputs {
  return offersFor(page, finding).find((offer) => offer.name === remedy)?.inputs ?? {};
}

export function oneOfMany(page: Page, finding: Finding, remedy: string, inputs: Inputs): OneOfMany {
  const { rule, at } = finding;
  return {
    finding: { rule, path: at.path, start: at.start },
    line: at.line,
    sentence: sentenceOf(finding),
    preview: previewOf(page, finding, remedy, inputs),
  };
}

export function previewOf(page: Page, finding: Finding, remedy: string, inputs: Inputs): Preview {
  const result = applyRemedy(page, finding, remedy, inputs);
  if (!result.ok) return result;
  const { change } = result.value;
  const after = reparsed(page, result.value.after);
  if (remedy === 'repair-outline') return { ok: true, shows: 'words', now: outlineSide(page), then: outlineSide(after) };
  const [now, then] = rangesAround(finding, change);
  const heard = finding.family === 'document' ? speakWhole : speakRange;
  const [was, is] = markupOf(page, after, change);
  const sides = [
    { spoken: heard(page, now), looks: looksOf(page, now), markup: was },
    { spoken: heard(after, then), looks: looksOf(after, then), markup: is },
  ] as const;
  return { ok: true, shows: difference(...sides), now: sides[0], then: sides[1] };
}

function difference(now: Side, then: Side): Shows {
  if (now.spoken !== then.spoken) return 'words';
  return JSON.stringify(now.looks) === JSON.stringify(then.looks) ? 'markup' : 'looks';
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

/** Edits farther from a finding than this, in characters, are in another part of the page: a style sheet, a label elsewhere. */
const NEARBY = 600;

/** The finding's stretch of source before and after, widened to hold the edits nearby. */
function rangesAround({ at }: Finding, change: Change): [now: Stretch, then: Stretch] {
  const near = change.edits.filter(({ start, end }) => start <= at.end + NEARBY && end >= at.start - NEARBY);
  const now = {
    start: Math.min(at.start, ...near.map((edit) => edit.start)),
    end: Math.max(at.end, ...near.map((edit) => edit.end)),
  };
  return [now, { start: mapOffset(change, now.start, -1) ?? now.start, end: endAfter(change, now.end) }];
}

/** Where a place lies after a change, behind all that is written up to it. */
function endAfter({ edits }: Change, end: number): number {
  return edits.filter((edit) => edit.end <= end).reduce((at, edit) => at + edit.text.length - (edit.end - edit.start), end);
}

/** The markup that changes, on both sides, with some of what stands around it; no tag is cut in two. */
function markupOf(page: Page, after: Page, change: Change): [was: string, is: string] {
  const [first, last] = [change.edits[0]!, change.edits.at(-1)!];
  const from = tagBefore(page.source, first.start);
  const until = Math.min(last.end, from + LONGEST_MARKUP);
  const end = tagAfter(page.source, until);
  const then = tagAfter(
    after.source,
    last.end <= until ? endAfter(change, until) : Math.min(from + LONGEST_MARKUP, endAfter(change, last.end)),
  );
  return [shortened(page.source.slice(from, end)), shortened(after.source.slice(from, then))];
}

/** The start of the tag or of the line of text a place lies in. */
function tagBefore(source: string, at: number): number {
  const open = source.lastIndexOf('<', at - 1);
  const close = source.lastIndexOf('>', at - 1);
  if (open > close) return open;
  return Math.max(close + 1, at - 80, 0);
}

function tagAfter(source: string, at: number): number {
  const open = source.lastIndexOf('<', at - 1);
  if (open > source.lastIndexOf('>', at - 1)) {
    const end = source.indexOf('>', at);
    return end < 0 ? at : end + 1;
  }
  const next = source.indexOf('<', at);
  return Math.min(next < 0 ? source.length : next, at + 80);
}

function outlineSide(page: Page): Side {
  return {
    spoken: outline(page)
      .map((heading) => `${heading.level} ${heading.name}`)
      .join(' · '),
    looks: [],
    markup: '',
  };
}

/** Cut before a tag or between two words. */
function shortened(markup: string): string {
  if (markup.length <= LONGEST_MARKUP) return markup.trim();
  const kept = markup.slice(0, LONGEST_MARKUP);
  const open = kept.lastIndexOf('<');
  return `${(open > kept.lastIndexOf('>') ? kept.slice(0, open) : kept.replace(/\S*$/, '')).trim()} …`;
}
