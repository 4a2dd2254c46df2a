import { criterionOf, isAskedBy, type Level, type StandardVersion } from '../standards/criteria.ts';
import type { Weight } from '../rules/types.ts';
import type { Finding } from './findings.ts';

/** The house's bar. It selects and weighs outcomes; it never changes what the audit computes. */
export interface Profile {
  name: string;
  standard: `WCAG ${StandardVersion}`;
  level: Level;
  /** Weights that hold publication while a failure of theirs is open. */
  holds: readonly Weight[];
}

const VERSIONS = ['2.0', '2.1', '2.2'] as const;
const LEVELS = ['A', 'AA', 'AAA'] as const;

/** `wcag22-aa` and its like: the profiles that need no file. */
export const PROFILES: Readonly<Record<string, Profile>> = Object.fromEntries(
  VERSIONS.flatMap((version) =>
    LEVELS.map((level) => {
      const name = `wcag${version.replace('.', '')}-${level.toLowerCase()}`;
      return [name, { name, standard: `WCAG ${version}`, level, holds: ['must'] } satisfies Profile];
    }),
  ),
);

export const DEFAULT_PROFILE: Profile = PROFILES['wcag22-aa']!;

/** The findings as a profile sees them: without the criteria its version of the standard does not know. */
export function selectFindings(findings: readonly Finding[], profile: Profile): Finding[] {
  const version = profile.standard.slice(5) as StandardVersion;
  return findings.map((finding) => {
    const criteria = finding.criteria.filter((id) => isAskedBy(criterionOf(id)!, version));
    return criteria.length === finding.criteria.length ? finding : { ...finding, criteria };
  });
}

export type Verdict = 'held' | 'judge' | 'ready';
export interface Weighed {
  weight: Weight;
  outcome: 'failed' | 'cantTell';
}

/**
 * What stands between a page and publication. `open` are the findings nobody has fixed, ruled out or waived: a failure whose weight
 * holds makes it held; failing that, a question left to a person makes it judge; else it is ready.
 */
export function verdictOf(open: readonly Weighed[], profile: Profile): Verdict {
  if (open.some((finding) => finding.outcome === 'failed' && profile.holds.includes(finding.weight))) return 'held';
  return open.some((finding) => finding.outcome === 'cantTell') ? 'judge' : 'ready';
}
