import { auditPage, reported, selectFindings, verdictOf, withActingRemedies, type Page, type Profile } from '@inkwell/core';
import type { ReportedPage } from '@inkwell/formats';
import type { PageFile } from './pages.ts';
import { titleOf } from './surroundings.ts';

/** Audits one page under a profile. The same page and profile give the same report, byte for byte. */
export function examine(file: PageFile, page: Page, profile: Profile): ReportedPage {
  const audit = auditPage(page);
  const findings = withActingRemedies(page, selectFindings(audit.findings, profile));
  return {
    path: file.path,
    title: titleOf(page, file),
    scope: page.scope,
    verdict: verdictOf(findings, profile),
    ...(file.listed === false ? { listed: false } : {}),
    findings: findings.map(reported),
    ...(audit.troubles.length > 0 ? { troubles: audit.troubles } : {}),
  };
}
