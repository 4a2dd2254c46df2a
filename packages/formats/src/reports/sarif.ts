import type { Report, ReportedFinding, RuleTexts } from './report.ts';

const LEVELS: Record<string, 'error' | 'warning' | 'note'> = { must: 'error', should: 'warning', consider: 'note' };

/**
 * OASIS SARIF 2.1.0: one run, a result for each finding. Questions are of kind `review`, as the standard has it for what a person must
 * decide.
 */
export function toSarif(report: Report, texts: RuleTexts): string {
  const ids = [...new Set(report.pages.flatMap((page) => page.findings.map((finding) => finding.rule)))].sort();
  const rules = ids.map((id) => ({
    id,
    shortDescription: { text: texts(id)?.title ?? id },
    fullDescription: { text: texts(id)?.why ?? id },
    help: { text: texts(id)?.fix ?? id },
  }));
  const run = {
    tool: { driver: { name: 'Inkwell Check', version: report.inkwell, rules } },
    columnKind: 'utf16CodeUnits',
    results: report.pages.flatMap((page) => page.findings.map((finding) => resultOf(page.path, finding, ids))),
  };
  return `${JSON.stringify({ $schema: 'https://docs.oasis-open.org/sarif/sarif/v2.1.0/os/schemas/sarif-schema-2.1.0.json', version: '2.1.0', runs: [run] }, null, 2)}\n`;
}

function resultOf(path: string, finding: ReportedFinding, ids: readonly string[]) {
  const question = finding.outcome === 'cantTell';
  return {
    ruleId: finding.rule,
    ruleIndex: ids.indexOf(finding.rule),
    kind: question ? 'review' : 'fail',
    level: question ? 'none' : LEVELS[finding.weight],
    message: { text: finding.message },
    locations: [
      {
        physicalLocation: {
          artifactLocation: { uri: encodeURI(path) },
          region: {
            startLine: finding.at.line,
            startColumn: finding.at.column,
            charOffset: finding.at.start,
            charLength: finding.at.end - finding.at.start,
          },
        },
        logicalLocations: [{ fullyQualifiedName: finding.at.path, kind: 'element' }],
      },
    ],
    partialFingerprints: { 'inkwell/v1': finding.fingerprint },
    properties: { weight: finding.weight, criteria: finding.criteria, techniques: finding.techniques },
  };
}
