import { auditPage } from '../audit/run.ts';
import type { Finding } from '../audit/findings.ts';
import { parseAgain, type Page } from '../document/page.ts';
import type { ElementNode } from '../document/tree.ts';
import { applyRemedy, targetOf } from '../remedies/apply.ts';
import { fixCertain } from '../remedies/certain.ts';
import { cleaningEdits, losesColour, pageAfter } from '../remedies/cleaning.ts';
import { usesSigns } from '../remedies/evidence.ts';
import { REMEDIES } from '../remedies/registry.ts';
import { contrastFailures } from '../semantics/contrastFailures.ts';
import { sentenceOf } from '../audit/prose.ts';
import { styleOf } from '../style/cascade.ts';
import { hexOf } from '../style/colour.ts';
import { lookup } from '../source/lookup.ts';

/** What is asked of a page before anything is stripped from it: once the looks are gone, nobody could tell any more. */
export interface DoorQuestion {
  /** Names it among the questions of its page. */
  key: string;
  about: 'heading' | 'list' | 'colour';
  sentence: string;
  options: readonly { value: string; label: string }[];
  /** What the engine is sure of; null where only a person can tell. */
  proposed: string | null;
}

/** Values chosen, by the key of the question. */
export type DoorAnswers = Readonly<Record<string, string>>;

export type Cleaned = { ok: true; after: string } | { ok: false; reason: string };

const HEADING_OPTIONS = [
  { value: 'text', label: 'Only emphasis' },
  ...[2, 3, 4, 5, 6].map((level) => ({ value: String(level), label: `A heading of level ${level}` })),
];
const LIST_OPTIONS = [
  { value: 'list', label: 'The items of a list' },
  { value: 'text', label: 'No list' },
];
const COLOUR_OPTIONS = [
  { value: 'goes', label: 'Says nothing: it may go' },
  { value: 'stays', label: 'Says something: it stays for now' },
];

const ABOUT: Readonly<
  Record<string, Pick<DoorQuestion, 'about' | 'options'> & { proposed: (page: Page, finding: Finding) => string | null }>
> = {
  'headings/imitated': { about: 'heading', options: HEADING_OPTIONS, proposed: fittingLevel },
  'lists/typed': { about: 'list', options: LIST_OPTIONS, proposed: () => 'list' },
  'colour/only-cue': { about: 'colour', options: COLOUR_OPTIONS, proposed: () => null },
};

/** What is asked of a page, in document order: bold lines that may be headings, typed lists, and colours that may say something. */
export function doorQuestions(page: Page): DoorQuestion[] {
  return askedOf(page).map(({ finding: _finding, ...question }) => question);
}

/** What the engine is sure of, as answers. */
export function proposedAnswers(questions: readonly DoorQuestion[]): DoorAnswers {
  return Object.fromEntries(questions.flatMap(({ key, proposed }) => (proposed === null ? [] : [[key, proposed]])));
}

interface Asked extends DoorQuestion {
  finding: Finding;
}

function askedOf(page: Page): Asked[] {
  return auditPage(page).findings.flatMap((finding) => {
    const asked = lookup(ABOUT, finding.rule);
    if (!asked) return [];
    const proposed = finding.outcome === 'failed' ? asked.proposed(page, finding) : null;
    return [{ key: finding.fingerprint, about: asked.about, sentence: sentenceOf(finding), options: asked.options, proposed, finding }];
  });
}

function fittingLevel(page: Page, finding: Finding): string | null {
  const target = targetOf(page, finding);
  return (target && REMEDIES['make-heading'].propose?.(target).level) ?? null;
}

/** What cleaning is followed by: blocks that only made room, and paragraphs that were made of line breaks. */
const AFTERWARDS = ['text/pasted-markup', 'text/spacer-blocks', 'text/br-paragraphs', 'text/forced-face'];

/**
 * A page without what a word processor left in it, as practitioners clean before anything else: lines that head something are headings and
 * typed lists are lists before the looks that told them go, and a colour that says something stays. Declines while anything asked is open,
 * and where cleaning would take signs or contrast away.
 */
export function cleanAtTheDoor(page: Page, answers: DoorAnswers): Cleaned {
  const questions = askedOf(page);
  if (questions.some(({ key, options }) => !options.some(({ value }) => value === lookup(answers, key))))
    return { ok: false, reason: 'Something is still to be answered first.' };
  const shaped = withStructure(page, questions, answers);
  if (usesSigns(shaped.body)) return { ok: false, reason: 'Letters are shown as signs here; without their face they would be letters.' };
  const edits = cleaningEdits(shaped, keptFor(shaped, questions, answers));
  const stripped = edits.length > 0 ? pageAfter(shaped, edits) : shaped;
  if (!stripped || contrastFailures(stripped, 'AA').length > contrastFailures(shaped, 'AA').length)
    return { ok: false, reason: 'Without these colours some of the text would be too faint on its background.' };
  const only = keepsColour(questions, answers) ? AFTERWARDS.slice(1) : AFTERWARDS;
  const { after } = fixCertain(stripped, only);
  return after === page.source ? { ok: false, reason: 'Nothing is left to clean.' } : { ok: true, after };
}

/** Headings and lists that were only looks, made so as answered. What cannot be made stays as it is, and is a finding. */
function withStructure(page: Page, questions: readonly Asked[], answers: DoorAnswers): Page {
  let here = page;
  let findings = auditPage(page).findings;
  for (const { key, about } of questions) {
    const answer = lookup(answers, key)!;
    if (about === 'colour' || answer === 'text') continue;
    const finding = findings.find(({ fingerprint }) => fingerprint === key);
    if (!finding) continue;
    const made =
      about === 'list' ? applyRemedy(here, finding, 'make-list', {}) : applyRemedy(here, finding, 'make-heading', { level: answer });
    if (!made.ok) continue;
    here = parseAgain(page, made.value.after);
    findings = auditPage(here).findings;
  }
  return here;
}

const keepsColour = (questions: readonly Asked[], answers: DoorAnswers) =>
  questions.some(({ key, about }) => about === 'colour' && lookup(answers, key) === 'stays');

/** Elements whose colour says something: all of that colour. Words that speak of a colour do not say which: then every colour stays. */
function keptFor(page: Page, questions: readonly Asked[], answers: DoorAnswers): (element: ElementNode) => boolean {
  const staying = questions.filter(({ key, about }) => about === 'colour' && lookup(answers, key) === 'stays');
  if (staying.length === 0) return () => false;
  if (staying.some(({ finding }) => finding.message === 'words')) return losesColour;
  const values = new Set(staying.map(({ finding }) => finding.values.value));
  return (element) => losesColour(element) && values.has(hexOf(styleOf(page, element).color));
}
