import { lookup, ruleOf, selectFindings, settingsFor, type Finding } from '@inkwell/core';
import type { Bar, Kind, KindWeight, StoredFinding, StoredKind } from '@inkwell/store';

/** What a profile looks at in a finding, and no more: findings of one kind weigh the same under any profile. */
export function kindOf(finding: Pick<Finding, 'rule' | 'family' | 'weight' | 'outcome' | 'criteria' | 'values'>): Kind {
  const { rule: id, family, weight, outcome, values } = finding;
  const rule = ruleOf(id);
  const measures = [...(rule?.threshold ? [rule.threshold.measure] : []), ...(id === 'links/vague' ? ['text'] : []), 'asked'];
  const measured = Object.fromEntries(
    measures.filter((measure) => lookup(values, measure) !== undefined).map((measure) => [measure, lookup(values, measure)!]),
  );
  const criteria = rule && sameWords(rule.criteria, finding.criteria) ? null : finding.criteria;
  return {
    name: JSON.stringify([id, weight, outcome, criteria, measured]).toWellFormed(),
    rule: id,
    family,
    weight,
    outcome,
    criteria,
    measured,
  };
}

function sameWords(a: readonly string[], b: readonly string[]): boolean {
  return a.length === b.length && a.every((word, i) => word === b[i]);
}

/** What a bar makes of a kind; null: it does not ask for it. */
export function weightUnder(kind: StoredKind, bar: Bar): Omit<KindWeight, 'bar_id' | 'kind_id'> | null {
  const criteria = kind.criteria ?? ruleOf(kind.rule)?.criteria ?? [];
  const [asked] = selectFindings(
    [{ rule: kind.rule, weight: kind.weight, outcome: kind.outcome, criteria, values: kind.measured }],
    bar.profile,
    bar.contentType,
  );
  if (!asked) return null;
  return { weight: asked.weight, outcome: asked.outcome, holds: settingsFor(bar.profile, bar.contentType).holds.includes(asked.weight) };
}

/** Findings as the house sees them: those its bar asks for, with its weights. */
export function askedOf<T extends StoredFinding | Finding>(findings: readonly T[], bar: Pick<Bar, 'profile' | 'contentType'>): T[] {
  return selectFindings(findings, bar.profile, bar.contentType);
}
