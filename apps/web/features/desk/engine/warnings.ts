import {
  applyRemedy,
  auditPage,
  compareAudits,
  DEFAULT_PROFILE,
  parseAgain,
  parsePage,
  selectFindings,
  sentenceOf,
  surroundingsFrom,
  type Change,
  type Finding,
  type Inputs,
  type Page,
} from '@inkwell/core';
import type { PageText, Warning } from './protocol';

/** Longer pages, in characters, are not looked through while somebody types. */
const LONGEST = 400_000;
const MOST = 4;

/** Not about what is written: whoever writes a description answers for it, and a caption is another thing to write. */
const NOT_OF_WORDS = new Set(['images/true-to-picture', 'images/no-caption']);

/** What would be noted of a finding's piece of the page once it is fixed so: what the fix brings, and the finding where it still stands. */
export function warned(page: Page, findings: readonly Finding[], finding: Finding, remedy: string, inputs: Inputs): Warning[] {
  if (page.source.length > LONGEST) return [];
  const result = applyRemedy(page, finding, remedy, inputs);
  if (!result.ok) return [];
  const { change, after } = result.value;
  const fresh = selectFindings(auditPage(parseAgain(page, after)).findings, DEFAULT_PROFILE);
  const compared = compareAudits(selectFindings(findings, DEFAULT_PROFILE), fresh, change, { before: page.source, after });
  const stands = compared.kept.flatMap((pair) => (pair.old.fingerprint === finding.fingerprint ? [pair.new] : []));
  return told([...stands, ...compared.new.filter((one) => isWrittenBy(change, one))]);
}

/** Whether a finding speaks of something an edit wrote. */
function isWrittenBy({ edits }: Change, { at }: Finding): boolean {
  let moved = 0;
  return edits.some(({ start, end, text }) => {
    const [from, until] = [start + moved, start + moved + text.length];
    moved += text.length - (end - start);
    return at.start <= until && at.end >= from;
  });
}

/** What would be noted of a piece of markup on a page, by itself. */
export function warnedOf(place: PageText, html: string): Warning[] {
  const page = parsePage(html, { scope: 'fragment', surroundings: surroundingsFrom({ ...place, scope: 'fragment' }, place.neighbours) });
  return told(selectFindings(auditPage(page).findings, DEFAULT_PROFILE).filter((one) => /^(?:images|links)\//.test(one.rule)));
}

function told(findings: readonly Finding[]): Warning[] {
  return findings
    .filter(({ rule }) => !NOT_OF_WORDS.has(rule))
    .slice(0, MOST)
    .map((finding) => ({ weight: finding.weight, sentence: sentenceOf(finding).replace(/\.$/, '') }));
}
