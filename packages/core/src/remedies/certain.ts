import { parseAgain, type Page } from '../document/page.ts';
import { applyChange, changeOf, composeMoves, type Change, type Edit, type Moves } from '../source/edits.ts';
import { identityOf, type Finding } from '../audit/findings.ts';
import { DEFAULT_PROFILE, selectFindings, type Profile } from '../audit/profile.ts';
import { compareAudits } from '../audit/compare.ts';
import { auditPage } from '../audit/run.ts';
import { countParseErrors } from '../document/adapter.ts';
import { targetOf } from './apply.ts';
import { harmOf, type Harm } from './harm.ts';
import { REMEDIES } from './registry.ts';
import { isCertain, type Inputs } from './types.ts';

/**
 * In what order certain fixes run: first what the page is made of, then lists, tables, links and images, and looks last, for a heading or
 * a list may be known by its looks alone.
 */
const PHASES: readonly RegExp[] = [
  /^(?:document|structure|forms|media|headings)\/|^text\/(?:moving|spaced-letters|spacing-locked)$/,
  /^lists\//,
  /^tables\//,
  /^(?:links(?!\/colour-alone)|images)\//,
  /^text\/br-paragraphs$/,
  /^text\/spacer-blocks$/,
  /^(?:text|colour)\/|^links\/colour-alone$/,
];

export interface FixedCertain {
  after: string;
  /** What was acted on, as it was first seen. */
  fixed: Finding[];
  /** Where places of the old text went. */
  moves: Moves;
  /** What could have been acted on, had its fix done no harm. */
  declined: { finding: Finding; reason: string }[];
}

/**
 * Applies every certain remedy of a page, kind after kind, until none is left. After each batch the page is audited: a fix that leaves its
 * finding open, brings a new failure that must or should be fixed, takes away what another finding rests on, or adds an error of markup is
 * taken out and said. Findings are followed through the edits, so that one a person has settled (`leave`) stays left alone. `only` names
 * the rules to fix, `profile` what the house asks for.
 */
export function fixCertain(
  page: Page,
  only?: readonly string[],
  profile: Profile = DEFAULT_PROFILE,
  leave: (finding: Finding) => boolean = () => false,
): FixedCertain {
  const fixing = new Fixing(page, profile, leave, only);
  // What an early kind of fix could not do may be done once a later one has been.
  for (let before = -1; before < fixing.fixed.length;) {
    before = fixing.fixed.length;
    for (const phase of PHASES) fixing.run(phase);
  }
  return fixing.result();
}

/** What a certain remedy of a finding would do on this page; null when it has none, or when each declines. */
export function certainEdits(page: Page, finding: Finding): Edit[] | null {
  for (const name of finding.remedies) {
    if (!isCertain(REMEDIES[name], finding.rule)) continue;
    const edits = editsOf(page, finding, name);
    if (edits) return edits;
  }
  return null;
}

function editsOf(page: Page, finding: Finding, name: Finding['remedies'][number]): Edit[] | null {
  const target = targetOf(page, finding);
  if (!target) return null;
  const inputs: Inputs = REMEDIES[name].propose?.(target) ?? {};
  const plan = REMEDIES[name].plan(target, inputs);
  if (!plan.ok) return null;
  const real = plan.value.filter((edit) => page.source.slice(edit.start, edit.end) !== edit.text);
  return real.length > 0 ? real : null;
}

/** The findings with only those certain remedies that act on this page as it is: what would decline is not offered as certain. */
export function withActingRemedies(page: Page, findings: readonly Finding[]): Finding[] {
  return findings.map((finding) => {
    if (!finding.remedies.some((name) => isCertain(REMEDIES[name], finding.rule))) return finding;
    const acting = finding.remedies.filter((name) => !isCertain(REMEDIES[name], finding.rule) || editsOf(page, finding, name) !== null);
    return acting.length === finding.remedies.length ? finding : { ...finding, remedies: acting };
  });
}

/** Batches at most: two remedies that undo each other end there. */
const MOST_BATCHES = 120;

class Fixing {
  readonly fixed: Finding[] = [];
  private moves: Moves = { edits: [] };
  private findings: readonly Finding[];
  /** What each finding that is still there was when it was first seen. */
  private first: Map<Finding, Finding>;
  private leaving: Set<Finding>;
  /** Declined, by the finding as it is now. */
  private readonly reasons = new Map<Finding, string>();
  private readonly turns: Turns;
  private batches = 0;

  constructor(
    private here: Page,
    private readonly profile: Profile,
    leave: (finding: Finding) => boolean,
    private readonly only?: readonly string[],
  ) {
    const all = auditPage(here).findings;
    this.findings = selectFindings(all, profile);
    this.first = new Map(this.findings.map((finding) => [finding, finding]));
    this.leaving = new Set(this.findings.filter(leave));
    this.turns = new Turns(this.findings);
  }

  run(phase: RegExp): void {
    for (;;) {
      const batch = this.findings.filter((finding) => phase.test(finding.rule) && this.isOpen(finding));
      if (batch.length === 0 || !this.apply(batch)) return;
    }
  }

  result(): FixedCertain {
    const declined = [...this.reasons].map(([finding, reason]) => ({ finding: this.first.get(finding) ?? finding, reason }));
    return { after: this.here.source, fixed: this.fixed, moves: this.moves, declined };
  }

  private isOpen(finding: Finding): boolean {
    return (
      finding.outcome === 'failed' &&
      !this.leaving.has(finding) &&
      !this.reasons.has(finding) &&
      !this.turns.spent(finding) &&
      (!this.only || this.only.includes(finding.rule)) &&
      finding.remedies.some((name) => isCertain(REMEDIES[name], finding.rule))
    );
  }

  /** Applies the fixes of some findings at once, or, where that does harm, in ever smaller parts. False when nothing came of it. */
  private apply(batch: readonly Finding[]): boolean {
    if (++this.batches > MOST_BATCHES) return false;
    const plans = this.planned(batch);
    const acting = [...plans.keys()];
    if (acting.length === 0) return false;
    const failure = this.attempt(plans);
    if (failure === null) return true;
    if (acting.length === 1) {
      this.reasons.set(acting[0]!, failure.reason);
      this.turns.take(acting[0]!);
      return true;
    }
    // What is suspected is tried alone, after the rest; without a suspect, one half after the other.
    const suspects =
      failure.suspects.length > 0 && failure.suspects.length < acting.length ? failure.suspects : acting.slice(acting.length >> 1);
    const later = suspects.map((finding) => this.first.get(finding));
    const inParts = failure.suspects === suspects;
    this.apply(acting.filter((finding) => !suspects.includes(finding)));
    for (const part of inParts ? later.map((one) => [one]) : [later]) this.apply(this.stillOpen(new Set(part)));
    return true;
  }

  /** Findings by what they were at first, as they are by now: other fixes may have moved them. */
  private stillOpen(firsts: ReadonlySet<Finding | undefined>): Finding[] {
    return this.findings.filter((finding) => firsts.has(this.first.get(finding)) && this.isOpen(finding));
  }

  /** The edits of those findings whose fixes do not touch one another. */
  private planned(batch: readonly Finding[]): Map<Finding, Edit[]> {
    const taken = new Taken();
    const plans = new Map<Finding, Edit[]>();
    for (const finding of batch) {
      const own = certainEdits(this.here, finding);
      if (own && taken.take(own)) plans.set(finding, own);
    }
    return plans;
  }

  /** Applies edits and looks what became of the page; null when all is well, else why it was left as it is. */
  private attempt(plans: ReadonlyMap<Finding, readonly Edit[]>): { reason: string; suspects: Finding[] } | null {
    const acting = [...plans.keys()];
    const change = changeOf(this.here.source, [...plans.values()].flat());
    const after = change.ok ? applyChange(this.here.source, change.value) : change;
    if (!change.ok || !after.ok) return { reason: 'its edits get in each other’s way', suspects: [] };
    const page = parseAgain(this.here, after.value);
    const findings = selectFindings(auditPage(page).findings, this.profile);
    const compared = compareAudits(this.findings, findings, change.value, { before: this.here.source, after: after.value });
    const harm = harmOf(this.findings, findings, compared, new Set(acting));
    if (harm) return { reason: harm.reason, suspects: harm.open.length > 0 ? [...harm.open] : suspectsOf(harm, plans, change.value) };
    if (page.xml !== this.here.xml || countParseErrors(after.value) > countParseErrors(this.here.source))
      return { reason: 'it would leave an error in the markup', suspects: [] };
    this.accept(acting, change.value, page, findings, compared.kept);
    return null;
  }

  private accept(
    acting: readonly Finding[],
    change: Change,
    page: Page,
    findings: readonly Finding[],
    kept: readonly { old: Finding; new: Finding }[],
  ): void {
    for (const finding of acting) {
      this.fixed.push(this.first.get(finding) ?? finding);
      this.turns.take(finding);
    }
    this.moves = composeMoves(this.moves, change);
    const now = new Map(kept.map((pair) => [pair.old, pair.new]));
    this.first = new Map(findings.map((finding) => [finding, finding]));
    for (const pair of kept) this.first.set(pair.new, this.first.get(pair.old) ?? pair.old);
    this.leaving = new Set([...this.leaving].flatMap((finding) => now.get(finding) ?? []));
    const reasons = [...this.reasons];
    this.reasons.clear();
    for (const [finding, reason] of reasons) if (now.has(finding)) this.reasons.set(now.get(finding)!, reason);
    [this.here, this.findings] = [page, findings];
  }
}

/** Units around a fix in which harm that comes of it is looked for. */
const NEAR = 40;

/** The fixes whose edits stand where harm was done. */
function suspectsOf({ brought, erased }: Harm, plans: ReadonlyMap<Finding, readonly Edit[]>, change: Change): Finding[] {
  const place = erased?.at ?? (brought && { start: placeBefore(change, brought.at.start), end: placeBefore(change, brought.at.end) });
  if (!place) return [];
  const touches = ({ start, end }: Edit) => start <= place.end + NEAR && end >= place.start - NEAR;
  return [...plans].filter(([, edits]) => edits.some(touches)).map(([finding]) => finding);
}

/** Where an offset of the changed text stood before, as nearly as can be told. */
function placeBefore(change: Change, offset: number): number {
  let drift = 0;
  for (const { start, end, text } of change.edits) {
    if (start + drift >= offset) break;
    drift += text.length - (end - start);
  }
  return offset - drift;
}

/** Stretches that fixes of one batch have taken: no two may touch. */
class Taken {
  private readonly ranges: { start: number; end: number }[] = [];

  take(edits: readonly Edit[]): boolean {
    if (edits.some((edit) => this.touches(edit))) return false;
    for (const { start, end } of edits) this.ranges.splice(this.placeOf(start), 0, { start, end });
    return true;
  }

  private touches({ start, end }: Edit): boolean {
    const at = this.placeOf(start);
    const [before, after] = [this.ranges[at - 1], this.ranges[at]];
    return (before !== undefined && before.end >= start) || (after !== undefined && after.start <= end);
  }

  private placeOf(start: number): number {
    let [low, high] = [0, this.ranges.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.ranges[middle]!.start < start) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}

/** How often a problem may be acted on: as often as it stood, and once more for what comes to light. */
class Turns {
  private readonly left = new Map<string, number>();

  constructor(seen: readonly Finding[]) {
    for (const finding of seen) this.left.set(identityOf(finding), (this.left.get(identityOf(finding)) ?? 1) + 1);
  }

  spent(finding: Finding): boolean {
    return this.left.get(identityOf(finding)) === 0;
  }

  take(finding: Finding): void {
    this.left.set(identityOf(finding), (this.left.get(identityOf(finding)) ?? 1) - 1);
  }
}
