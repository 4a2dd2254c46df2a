import { has, tidy, valueOf, rawText, type ElementNode } from '../document/tree.ts';
import { pathOf } from '../document/paths.ts';
import type { Page } from '../document/page.ts';
import { hashText } from '../source/hash.ts';
import { isExposed } from '../semantics/visibility.ts';
import { RULES } from '../rules/registry.ts';
import { familyOf, type Report, type Rule } from '../rules/types.ts';
import { identityOf, textAfter, textBefore, type Audit, type Finding, type Place } from './findings.ts';

/** Raised with every change that can alter an outcome; stored with each audit. */
export const ENGINE_VERSION = '0.10.1';

/** A rule with what it does at an element, and at the end: all of one shape, for they are called by the ten thousand. */
interface Part<Work> {
  rule: Rule;
  anywhere: boolean;
  run: Work;
}

type Visit = Part<NonNullable<Rule['visit']>>;
type End = Part<NonNullable<Rule['end']>>;

const partOf = <Work>(rule: Rule, run: Work): Part<Work> => ({ rule, anywhere: rule.scope === 'any', run });

const ENDS: readonly End[] = RULES.flatMap((rule) => (rule.end ? [partOf(rule, rule.end.bind(rule))] : []));

/** Rules by the tags and roles they listen to. */
const listeners = listenersOf(RULES);

function listenersOf(rules: readonly Rule[]): { byTag: Map<string, Visit[]>; byRole: Map<string, Visit[]> } {
  const byTag = new Map<string, Visit[]>();
  const byRole = new Map<string, Visit[]>();
  for (const rule of rules) {
    const visit = rule.visit && partOf(rule, rule.visit.bind(rule));
    for (const listened of visit ? (rule.tags ?? []) : []) {
      const role = /^\[role=(.+)\]$/.exec(listened)?.[1];
      const [map, key] = role ? [byRole, role] : [byTag, listened];
      map.set(key, [...(map.get(key) ?? []), visit!]);
    }
  }
  return { byTag, byRole };
}

/** Runs every rule on a page in one walk. The same page gives the same audit, byte for byte. A rule that throws is told in `troubles`. */
export function auditPage(page: Page): Audit {
  const reports: { rule: Rule; report: Report }[] = [];
  let rule: Rule;
  const tell = (report: Report) => void reports.push({ rule, report });
  const troubles = new Map<string, string>();
  const whole = page.scope === 'document';
  for (const element of page.elements) {
    const listening = visitsFor(element);
    if (listening.length === 0 || !isExposed(page, element)) continue;
    for (const visit of listening) {
      if (!whole && !visit.anywhere) continue;
      rule = visit.rule;
      guarded(rule, troubles, () => visit.run(page, element, tell));
    }
  }
  for (const end of ENDS) {
    if (!whole && !end.anywhere) continue;
    rule = end.rule;
    guarded(rule, troubles, () => end.run(page, tell));
  }
  const failed = [...troubles].map(([id, problem]) => ({ rule: id, problem }));
  return { engine: ENGINE_VERSION, findings: findingsFrom(page, together(reports)), troubles: failed };
}

/** A rule that throws is a trouble of the page: all others still speak. */
function guarded(rule: Rule, troubles: Map<string, string>, run: () => void): void {
  try {
    run();
  } catch (error) {
    troubles.set(rule.id, error instanceof Error ? error.message : String(error));
  }
}

const NONE: Visit[] = [];
const joined = new Map<string, Visit[]>();

function both(tag: string, named: Visit[], any: Visit[]): Visit[] {
  let all = joined.get(tag);
  if (!all) joined.set(tag, (all = [...new Set([...named, ...any])]));
  return all;
}

function visitsFor(element: ElementNode): Visit[] {
  const named = listeners.byTag.get(element.tag) ?? NONE;
  if (element.attributes.length === 0) return named;
  const any = listeners.byTag.get('*') ?? NONE;
  const byTag = any.length === 0 ? named : named.length === 0 ? any : both(element.tag, named, any);
  if (!has(element, 'role')) return byTag;
  const role = valueOf(element, 'role')!.trim().toLowerCase().split(/\s+/)[0]!;
  const byRole = listeners.byRole.get(role);
  return byRole ? [...new Set([...byTag, ...byRole])] : byTag;
}

/** Reports of one slip that stands at several places, made one: those of a rule for which equal subjects are the same slip. */
function together(reports: readonly { rule: Rule; report: Report }[]): { rule: Rule; report: Report }[] {
  const first = new Map<string, Report & { places: ElementNode[] }>();
  const found: { rule: Rule; report: Report }[] = [];
  for (const one of reports) {
    const { rule, report } = one;
    if (!rule.alike || !report.subject || report.range || report.through) {
      found.push(one);
      continue;
    }
    const key = [rule.id, report.message, report.subject, report.outcome, report.weight, report.remedies, report.alsoCriteria].join('\n');
    const same = first.get(key);
    if (same) same.places.push(report.at);
    else {
      const whole = { ...report, places: [report.at] };
      first.set(key, whole);
      found.push({ rule, report: whole });
    }
  }
  return found;
}

/** Places of the rules in the catalogue: findings at one place come in its order. */
const PLACES = new Map(RULES.map((rule, i) => [rule, i]));

/** Longest subject kept: enough to tell things apart, short enough to store by the hundred thousand. */
const SUBJECT_LENGTH = 160;

function findingsFrom(page: Page, reports: readonly { rule: Rule; report: Report }[]): Finding[] {
  const sorted = [...reports].sort(
    (a, b) => a.report.at.order - b.report.at.order || startOf(a.report) - startOf(b.report) || PLACES.get(a.rule)! - PLACES.get(b.rule)!,
  );
  const findings = sorted.map(({ rule, report }) =>
    toFinding(page, rule, report, tidy(report.subject ?? subjectOf(report.at)).slice(0, SUBJECT_LENGTH)),
  );
  nameThem(page, findings);
  return findings;
}

/**
 * Gives each finding its fingerprint: its identity. Equal problems, and those about nothing that has words, take the words before them
 * into it, then those after them where they are still equal; only where all that is the same does their order tell them apart.
 */
function nameThem(page: Page, findings: Finding[]): void {
  let names = findings.map(identityOf);
  names = toldApart(
    names,
    (i) => textBefore(page.source, findings[i]!.at.start),
    (i) => findings[i]!.subject === '',
  );
  names = toldApart(names, (i) => textAfter(page.source, findings[i]!.at.end));
  const seen = new Map<string, number>();
  findings.forEach((finding, i) => {
    const nth = (seen.get(names[i]!) ?? 0) + 1;
    seen.set(names[i]!, nth);
    finding.fingerprint = hashText(nth === 1 ? names[i]! : `${names[i]!}\n${nth}`);
  });
}

/** Names of which those that several share, or that are weak, have something added. */
function toldApart(names: readonly string[], more: (i: number) => string, weak: (i: number) => boolean = () => false): string[] {
  const many = new Map<string, number>();
  for (const name of names) many.set(name, (many.get(name) ?? 0) + 1);
  return names.map((name, i) => (many.get(name)! > 1 || weak(i) ? `${name}\n${more(i)}` : name));
}

function startOf(report: Report): number {
  return report.range?.start ?? report.at.range?.start ?? 0;
}

function subjectOf(element: ElementNode): string {
  const address = valueOf(element, 'src') ?? valueOf(element, 'href') ?? '';
  return `${address} ${rawText(element).slice(0, 4 * SUBJECT_LENGTH)}`;
}

function toFinding(page: Page, rule: Rule, report: Report, subject: string): Finding {
  const range = report.range ?? rangeThrough(report) ?? nearestRange(report.at);
  return {
    rule: rule.id,
    family: familyOf(rule),
    weight: report.weight ?? rule.weight,
    outcome: report.outcome ?? 'failed',
    criteria: [...rule.criteria, ...(report.alsoCriteria ?? [])],
    techniques: rule.techniques,
    message: report.message,
    values: report.values ?? {},
    at: {
      path: pathOf(page, report.at),
      ...(report.through ? { through: pathOf(page, report.through) } : {}),
      start: range.start,
      end: range.end,
      ...page.lines.placeOf(range.start),
    },
    ...(report.places && report.places.length > 1 ? { places: report.places.map((element) => placeOf(page, element)) } : {}),
    fingerprint: '',
    subject,
    remedies: report.remedies ?? rule.remedies,
  };
}

function placeOf(page: Page, element: ElementNode): Place {
  const { start, end } = element.range ?? nearestRange(element);
  return { path: pathOf(page, element), start, end, ...page.lines.placeOf(start) };
}

function rangeThrough({ at, through = at }: Report): { start: number; end: number } | null {
  return at.range && through.range && { start: at.range.start, end: through.range.end };
}

/** Elements the parser made up have no source; what they first hold tells where they would be. */
function nearestRange(element: ElementNode): { start: number; end: number } {
  for (const child of element.children) if (child.range) return { start: child.range.start, end: child.range.start };
  return { start: 0, end: 0 };
}
