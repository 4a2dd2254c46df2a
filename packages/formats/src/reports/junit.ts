import type { ReportedFinding, ReportedPage } from './report.ts';

/**
 * JUnit's XML as continuous-integration servers read it (by common practice): a suite for each page, a failed case for each failure of
 * weight must or should.
 */
export async function* toJunit(pages: AsyncIterable<ReportedPage>): AsyncGenerator<string> {
  yield '<?xml version="1.0" encoding="UTF-8"?>\n<testsuites name="Inkwell Check">\n';
  for await (const page of pages) yield suiteOf(page);
  yield '</testsuites>\n';
}

function suiteOf({ path, findings }: ReportedPage): string {
  const many = `tests="${Math.max(1, findings.length)}" failures="${findings.filter(fails).length}"`;
  const skipped = findings.filter((finding) => finding.outcome === 'cantTell').length;
  const cases =
    findings.map((finding) => caseOf(path, finding)).join('') || `    <testcase classname="${xml(path)}" name="nothing found"/>\n`;
  return `  <testsuite name="${xml(path)}" ${many} errors="0" skipped="${skipped}">\n${cases}  </testsuite>\n`;
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
