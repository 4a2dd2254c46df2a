import { elementAt } from '../document/paths.ts';
import { parseAgain, type Page } from '../document/page.ts';
import { applyChange, changeOf, composeMoves, type Change, type Moves } from '../source/edits.ts';
import type { Finding } from '../audit/findings.ts';
import { compareAudits } from '../audit/compare.ts';
import { auditPage } from '../audit/run.ts';
import type { RemedyName } from './names.ts';
import { REMEDIES } from './registry.ts';
import { decline, isCertain, type Declined, type Field, type Inputs, type Remedy, type Target } from './types.ts';

export type RemedyResult = { ok: true; value: { change: Change; after: string } } | Declined;

/** What a remedy asks and proposes for one finding. */
export interface RemedyOffer {
  name: RemedyName;
  label: string;
  certain: boolean;
  fields: readonly Field[];
  inputs: Inputs;
  /** Why it cannot act here, when it cannot whatever is entered. */
  declines?: string;
}

/** The remedies offered for a finding, each with what it proposes. */
export function offersFor(page: Page, finding: Finding): RemedyOffer[] {
  const target = targetOf(page, finding);
  if (!target) return [];
  return finding.remedies.map((name) => offerOf(REMEDIES[name], target));
}

function offerOf(remedy: Remedy, target: Target): RemedyOffer {
  const fields = typeof remedy.fields === 'function' ? remedy.fields(target) : remedy.fields;
  const offer = {
    name: remedy.name,
    label: remedy.label,
    certain: isCertain(remedy, target.finding.rule),
    fields,
    inputs: remedy.propose?.(target) ?? {},
  };
  const waits = fields.some((field) => field.kind !== 'choice');
  if (waits && !(remedy.fromProposal && Object.values(offer.inputs).every((text) => text === ''))) return offer;
  const plan = remedy.plan(target, offer.inputs);
  return plan.ok ? offer : { ...offer, declines: plan.reason };
}

export function targetOf(page: Page, finding: Finding): Target | null {
  const element = elementAt(page, finding.at.path);
  return element ? { page, element, finding } : null;
}

/**
 * Plans and applies a remedy of a finding of this page. Every byte outside its edits stays. Declines, with a sentence for a person,
 * when the remedy is not one of the finding's, cannot act, or would leave the page as it is.
 */
export function applyRemedy(page: Page, finding: Finding, name: string, inputs: Inputs): RemedyResult {
  if (!finding.remedies.includes(name as RemedyName)) return decline('This fix does not belong to this note.');
  const target = targetOf(page, finding);
  if (!target) return decline('The part of the page this note speaks of is no longer there.');
  const plan = REMEDIES[name as RemedyName].plan(target, inputs);
  if (!plan.ok) return plan;
  const change = changeOf(page.source, plan.value);
  if (!change.ok) return decline('The fix’s edits get in each other’s way here. Fix this one in Source.');
  const after = applyChange(page.source, change.value);
  if (!after.ok || after.value === page.source) return decline('This would change nothing.');
  if (page.xml === 'read' && parseAgain(page, after.value).xml !== 'read')
    return decline('The page is XHTML, and this would leave it no longer well formed. Fix it in Source.');
  return { ok: true, value: { change: change.value, after: after.value } };
}

/** Where nothing moves. */
const STILL: Moves = { edits: [] };

export interface FixedMany {
  after: string;
  fixed: Finding[];
  moves: Moves;
  declined: { finding: Finding; reason: string }[];
}

/** One of several fixes of a page: `inputs` as they are for the finding where it stands by then. */
interface Step {
  finding: Finding;
  remedy: RemedyName;
  inputs(target: Target): Inputs;
}

/**
 * Applies one remedy to several findings of a page, one after another with an audit between. Each takes what the engine proposes for
 * it, and over that what a person chose for all. What declines stays as it is and says why.
 */
export function fixAlike(page: Page, findings: readonly Finding[], name: RemedyName, chosen: Inputs): FixedMany {
  return oneByOne(
    page,
    findings.map((finding) => ({ finding, remedy: name, inputs: (target) => ({ ...REMEDIES[name].propose?.(target), ...chosen }) })),
  );
}

/** A fix of a finding, as a person filled it in. */
export interface Part {
  finding: Finding;
  remedy: RemedyName;
  inputs: Inputs;
}

/**
 * Applies several fixes of one thing, each as it was filled in, in their order. A finding that an earlier one of them has settled is passed
 * over. `onFixed` is told of each with the page before it and the text after.
 */
export function fixTogether(page: Page, parts: readonly Part[], onFixed?: OnFixed): FixedMany {
  return oneByOne(
    page,
    parts.map(({ finding, remedy, inputs }) => ({ finding, remedy, inputs: () => inputs })),
    onFixed,
  );
}

type OnFixed = (fixed: Pick<Step, 'finding' | 'remedy'>, before: Page, after: string) => void;

function oneByOne(page: Page, steps: readonly Step[], onFixed?: OnFixed): FixedMany {
  let here = page;
  let seen = auditPage(page).findings;
  // Where each finding that waits stands on the page as it is by now.
  const names = new Map(seen.map((one) => [one.fingerprint, one]));
  const places = new Map(steps.map(({ finding }) => [finding, names.get(finding.fingerprint)]));
  const done: FixedMany = { after: page.source, fixed: [], moves: STILL, declined: [] };
  for (const { finding, remedy, inputs } of steps) {
    const now = places.get(finding);
    const target = now && targetOf(here, now);
    if (!now || !target) continue;
    const result = applyRemedy(here, now, remedy, inputs(target));
    if (!result.ok) {
      done.declined.push({ finding, reason: result.reason });
      continue;
    }
    done.fixed.push(finding);
    onFixed?.({ finding, remedy }, here, result.value.after);
    done.moves = composeMoves(done.moves, result.value.change);
    const before = here.source;
    here = parseAgain(page, result.value.after);
    const fresh = auditPage(here).findings;
    const { kept } = compareAudits(seen, fresh, result.value.change, { before, after: here.source });
    const moved = new Map(kept.map((pair) => [pair.old, pair.new]));
    for (const [waiting, place] of places) places.set(waiting, place && moved.get(place));
    seen = fresh;
  }
  return { ...done, after: here.source };
}

/**
 * Findings of the same slip: the same rule and remedy; where a remedy needs words, only those about the same thing (one image, one
 * destination).
 */
export function alikeTo(page: Page, finding: Finding, name: RemedyName, among: readonly Finding[]): Finding[] {
  return among.filter((one) => {
    if (one.rule !== finding.rule || one.message !== finding.message || !one.remedies.includes(name)) return false;
    const offer = offersFor(page, one).find((offered) => offered.name === name);
    if (!offer || offer.declines) return false;
    return offer.fields.every((field) => field.kind === 'choice') || (one.subject === finding.subject && finding.subject !== '');
  });
}
