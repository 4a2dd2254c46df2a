import {
  lookup,
  auditPage,
  fixCertain,
  parseAgain,
  parsePage,
  reported,
  ruleOf,
  selectFindings,
  settingsFor,
  surroundingsFrom,
  verdictOf,
  withActingRemedies,
  type Page,
} from '@inkwell/core';
import type { CheckedFinding, CheckedText, CheckedWish } from './tasks.ts';

/** A text looked at as the command line does, and once more as it would be after every certain remedy. */
export function checkedText(wish: CheckedWish): CheckedText {
  const page = pageOf(wish);
  const { after } = fixCertain(page, undefined, wish.profile);
  const before = told(page, wish);
  return { ...before, fixed: { html: after, ...(after === page.source ? before : told(parseAgain(page, after), wish)) } };
}

function pageOf({ html, scope, title, vocabulary, place }: CheckedWish): Page {
  const known = place
    ? surroundingsFrom({ address: place.address, scope: scope ?? 'document', title: title || place.title }, place.neighbours)
    : {};
  const surroundings = {
    ...known,
    ...(title === '' ? {} : { shownTitle: title }),
    vocabulary,
    ...(vocabulary.colours?.length ? { houseColours: vocabulary.colours } : {}),
  };
  return parsePage(html, { ...(scope ? { scope } : {}), surroundings });
}

function told(page: Page, { profile, contentType, settled }: CheckedWish): Pick<CheckedText, 'verdict' | 'findings'> {
  const findings = withActingRemedies(page, selectFindings(auditPage(page).findings, profile, contentType ?? undefined));
  const open = findings.filter(({ fingerprint }) => !Object.hasOwn(settled, fingerprint));
  return {
    verdict: verdictOf(open, { ...profile, ...settingsFor(profile, contentType ?? undefined) }),
    findings: findings.map((finding): CheckedFinding => {
      const rule = ruleOf(finding.rule);
      const one = reported(finding);
      const standing = lookup(settled, finding.fingerprint);
      return { ...one, sentence: one.message, why: rule?.why ?? '', fix: rule?.fix ?? '', ...(standing === undefined ? {} : { standing }) };
    }),
  };
}
