import { lookup } from '@inkwell/core';
import type { ReportedFinding, ReportedPage, ReportHead, RuleTexts } from './report.ts';
import { list } from './list.ts';

const LEVELS: Record<string, 'error' | 'warning' | 'note'> = { must: 'error', should: 'warning', consider: 'note' };

/**
 * OASIS SARIF 2.1.0: one run, a result for each finding. Questions are of kind `review`, as the standard has it for what a person must
 * decide.
 */
export async function* toSarif({ inkwell }: ReportHead, pages: AsyncIterable<ReportedPage>, texts: RuleTexts): AsyncGenerator<string> {
  // Rules are numbered as they are met, and told once all pages are written.
  const numbers = new Map<string, number>();
  const numberOf = (id: string) => numbers.get(id) ?? (numbers.set(id, numbers.size), numbers.size - 1);
  yield `{\n  "$schema": "${SCHEMA}",\n  "version": "2.1.0",\n  "runs": [\n    {\n      "columnKind": "utf16CodeUnits",\n      "results": `;
  yield* list(pages, 8, (page) => page.findings.map((finding) => resultOf(page.path, finding, numberOf(finding.rule))));
  const rules = [...numbers.keys()].map((id) => ({
    id,
    shortDescription: { text: texts(id)?.title ?? id },
    fullDescription: { text: texts(id)?.why ?? id },
    help: { text: texts(id)?.fix ?? id },
  }));
  const tool = JSON.stringify({ driver: { name: 'Inkwell Check', version: inkwell, rules } }, null, 2).replaceAll('\n', '\n      ');
  yield `,\n      "tool": ${tool}\n    }\n  ]\n}\n`;
}

const SCHEMA = 'https://docs.oasis-open.org/sarif/sarif/v2.1.0/os/schemas/sarif-schema-2.1.0.json';

function resultOf(path: string, finding: ReportedFinding, ruleIndex: number) {
  const question = finding.outcome === 'cantTell';
  return {
    ruleId: finding.rule,
    ruleIndex,
    kind: question ? 'review' : 'fail',
    level: question ? 'none' : lookup(LEVELS, finding.weight),
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
