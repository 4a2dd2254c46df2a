import { tidy } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { auditPage } from '../audit/run.ts';
import { mapOffset, type Moves } from '../source/edits.ts';
import { caseOf } from './mend.ts';
import { thingOf, type RegisterName } from './types.ts';
import { usesIn } from './uses.ts';

/** A use of a thing with the words around it. */
export interface UseAround {
  thing: string;
  /** As `caseOf` names it. */
  case: string;
  /** Words that stand before it and behind it. */
  before: string;
  after: string;
}

/** Source looked at on either side of a use, and words kept of it, in UTF-16 units. */
const LOOKED_AT = 1_200;
const KEPT = 160;

/** Uses of some things of a page with the words around them. */
export function usesAround(page: Page, address: string, register: RegisterName, things: readonly string[]): UseAround[] {
  const wanted = new Set(things);
  return usesIn(register, page, address, register === 'text' ? auditPage(page).findings : []).flatMap((use) => {
    const range = use.elements[0]?.range;
    if (!wanted.has(thingOf(use)) || !range) return [];
    const before = wordsOf(page.source.slice(Math.max(0, range.start - LOOKED_AT), range.start));
    const after = wordsOf(page.source.slice(range.end, range.end + LOOKED_AT));
    return [{ thing: thingOf(use), case: caseOf(use), before: before.slice(-KEPT), after: after.slice(0, KEPT) }];
  });
}

/** The words of a stretch of markup, which may begin or end within a tag. */
function wordsOf(markup: string): string {
  const inside =
    markup.indexOf('>') >= 0 && !markup.slice(0, markup.indexOf('>')).includes('<') ? markup.slice(markup.indexOf('>') + 1) : markup;
  return tidy(
    inside
      .replace(/<(?:script|style)\b[^]*?<\/(?:script|style)>/gi, ' ')
      .replace(/<[^<>]*>?/g, ' ')
      .replace(/&nbsp;/g, ' ')
      .replace(/&lt;/g, '<')
      .replace(/&gt;/g, '>')
      .replace(/&quot;/g, '"')
      .replace(/&amp;/g, '&'),
  );
}

/** Longest piece of markup shown, in UTF-16 units. */
const PIECE = 400;

/** The piece of a text that a change touches first, as it was and as it is, from tag to tag. */
export function pieceOf(text: string, after: string, { edits }: Moves): { before: string; after: string } {
  const [first] = edits;
  if (!first) return { before: '', after: '' };
  const opens = text.lastIndexOf('<', first.start - 1);
  const start = opens >= 0 && first.start - opens < PIECE ? opens : first.start;
  // Edits near the first belong to the same piece.
  const last = edits.filter(({ end }) => end - start < PIECE).at(-1) ?? first;
  const closes = text.indexOf('>', last.end - 1);
  const end = closes >= 0 && closes - last.end < PIECE ? closes + 1 : last.end;
  return {
    before: text.slice(start, end),
    after: after.slice(mapOffset({ edits }, start, -1) ?? start, mapOffset({ edits }, end, 1) ?? undefined),
  };
}
