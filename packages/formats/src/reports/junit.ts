import type { Report, ReportedFinding } from './report.ts';

/**
 * JUnit's XML as continuous-integration servers read it (by common practice): a suite for each page, a failed case for each failure of
 * weight must or should.
 */
export function toJunit(report: Report): string {
  const suites = report.pages.map((page) => {
    const failing = page.findings.filter(fails);
    const cases =
      page.findings.map((finding) => caseOf(page.path, finding)).join('') ||
      `    <testcase classname="${xml(page.path)}" name="nothing found"/>\n`;
    return {
      tests: Math.max(1, page.findings.length),
      failures: failing.length,
      text: `  <testsuite name="${xml(page.path)}" tests="${Math.max(1, page.findings.length)}" failures="${failing.length}" errors="0" skipped="${page.findings.filter((finding) => finding.outcome === 'cantTell').length}">\n${cases}  </testsuite>\n`,
    };
  });
  const sum = (key: 'tests' | 'failures') => suites.reduce((total, suite) => total + suite[key], 0);
  return `<?xml version="1.0" encoding="UTF-8"?>\n<testsuites name="Inkwell Check" tests="${sum('tests')}" failures="${sum('failures')}">\n${suites.map((suite) => suite.text).join('')}</testsuites>\n`;
}

function fails(finding: ReportedFinding): boolean {
  return finding.outcome === 'failed' && finding.weight !== 'consider';
}

function caseOf(path: string, finding: ReportedFinding): string {
  const { rule, at, message, weight, criteria, outcome } = finding;
  const open = `    <testcase classname="${xml(path)}" name="${xml(`${rule} at ${at.line}:${at.column}`)}"`;
  const detail = xml(`${message}\n${at.path}\nWCAG ${criteria.join(', ') || 'none'}; weight ${weight}`);
  if (outcome === 'cantTell') return `${open}>\n      <skipped message="${xml(`A person has to decide: ${message}`)}"/>\n    </testcase>\n`;
  return fails(finding)
    ? `${open}>\n      <failure type="${xml(weight)}" message="${xml(message)}">${detail}</failure>\n    </testcase>\n`
    : `${open}>\n      <system-out>${detail}</system-out>\n    </testcase>\n`;
}

/** Text as XML allows it: escaped, without the control characters XML 1.0 forbids. */
function xml(text: string): string {
  return (
    text
      .toWellFormed()
      // eslint-disable-next-line no-control-regex -- those are the characters to be taken out
      .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '\ufffd')
      .replace(/&/g, '&amp;')
      .replace(/</g, '&lt;')
      .replace(/>/g, '&gt;')
      .replace(/"/g, '&quot;')
      .replace(/\n/g, '&#10;')
  );
}
