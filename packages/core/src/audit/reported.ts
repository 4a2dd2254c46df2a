import { isCertain, needsOf } from '../remedies/types.ts';
import { REMEDIES } from '../remedies/registry.ts';
import type { Finding } from './findings.ts';
import { sentenceOf } from './prose.ts';

export interface ReportedPlace {
  path: string;
  start: number;
  end: number;
  line: number;
  column: number;
}

/** A finding as programs are given it: prose made, remedies with what they need. */
export interface ReportedFinding {
  rule: string;
  family: string;
  weight: string;
  outcome: string;
  criteria: readonly string[];
  techniques: readonly string[];
  message: string;
  at: ReportedPlace;
  /** All its places, the first one `at`, when it stands at several. */
  places?: readonly ReportedPlace[];
  fingerprint: string;
  remedies: { name: string; certain: boolean; needs: string[] }[];
}

export function reported(finding: Finding): ReportedFinding {
  const { rule, family, weight, outcome, criteria, techniques, at, fingerprint, remedies } = finding;
  return {
    rule,
    family,
    weight,
    outcome,
    criteria,
    techniques,
    message: sentenceOf(finding),
    at: placeOf(at),
    ...(finding.places ? { places: finding.places.map(placeOf) } : {}),
    fingerprint,
    remedies: remedies.map((name) => ({
      name,
      certain: isCertain(REMEDIES[name], rule),
      needs: needsOf(REMEDIES[name], rule),
    })),
  };
}

function placeOf({ path, start, end, line, column }: Finding['at']): ReportedPlace {
  return { path, start, end, line, column };
}
