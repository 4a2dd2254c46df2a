import {
  auditPage,
  elementAt,
  isCertain,
  REMEDIES,
  selectFindings,
  sentenceOf,
  verdictOf,
  withActingRemedies,
  type Finding,
  type Page,
  type Profile,
} from '@inkwell/core';
import type { ReportedFinding, ReportedPage } from '@inkwell/formats';
import type { PageFile } from './pages.ts';
import { titleOf } from './surroundings.ts';

/** Audits one page under a profile. The same page and profile give the same report, byte for byte. */
export function examine(file: PageFile, page: Page, profile: Profile): ReportedPage {
  const findings = withActingRemedies(page, selectFindings(auditPage(page).findings, profile));
  return {
    path: file.path,
    title: titleOf(page, file),
    scope: page.scope,
    verdict: verdictOf(findings, profile),
    ...(file.listed === false ? { listed: false } : {}),
    findings: findings.map((finding) => reported(page, finding)),
  };
}

export function reported(page: Page, finding: Finding): ReportedFinding {
  const { rule, family, weight, outcome, criteria, techniques, at, fingerprint, remedies } = finding;
  const { path, start, end, line, column } = at;
  return {
    rule,
    family,
    weight,
    outcome,
    criteria,
    techniques,
    message: sentenceOf(finding),
    at: { path, start, end, line, column },
    ...(finding.places ? { places: finding.places.map(placeOf) } : {}),
    fingerprint,
    remedies: remedies.map((name) => ({
      name,
      certain: isCertain(REMEDIES[name], rule),
      needs: isCertain(REMEDIES[name], rule) ? [] : needsOf(page, finding, name),
    })),
  };
}

function placeOf({ path, start, end, line, column }: Finding['at']): ReportedFinding['at'] {
  return { path, start, end, line, column };
}

function needsOf(page: Page, finding: Finding, name: (typeof finding.remedies)[number]): string[] {
  const { fields } = REMEDIES[name];
  if (typeof fields !== 'function') return fields.map((field) => field.name);
  const element = elementAt(page, finding.at.path) ?? page.body;
  return fields({ page, element, finding }).map((field) => field.name);
}
