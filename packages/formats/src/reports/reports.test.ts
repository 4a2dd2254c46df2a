import jsonld from 'jsonld';
import { auditPage, DEFAULT_PROFILE, isCertain, parsePage, REMEDIES, ruleOf, selectFindings, sentenceOf, verdictOf } from '@inkwell/core';
import { writeReport, type ReportFormat } from './stream.ts';
import type { ReportedPage, ReportHead } from './report.ts';

interface Report extends ReportHead {
  pages: ReportedPage[];
}

/** A report whole, with its pages handed over one at a time. */
async function written(format: ReportFormat, { pages, ...head }: Report): Promise<string> {
  async function* each() {
    for (const page of pages) yield await Promise.resolve(page);
  }
  let text = '';
  for await (const part of writeReport(format, head, each(), ruleOf)) text += part;
  return text;
}

const HTML = '<h2>Wax</h2>\n<p>See <img src="bee.png"> or <a href="x">here</a>.</p>\n<h2>=cmd, "quoted"</h2><h2> </h2><p>Text</p>';

function report(): Report {
  const page = parsePage(HTML);
  const findings = selectFindings(auditPage(page).findings, DEFAULT_PROFILE);
  const pages = [
    {
      path: 'unit 1/wax.html',
      title: '',
      scope: page.scope,
      verdict: verdictOf(findings, DEFAULT_PROFILE),
      findings: findings.map((finding) => ({
        ...finding,
        message: sentenceOf(finding),
        remedies: finding.remedies.map((name) => ({ name, certain: isCertain(REMEDIES[name], finding.rule), needs: [] })),
      })),
    },
    { path: 'ready.html', title: 'Ready', scope: 'document' as const, verdict: 'ready' as const, findings: [] },
  ];
  return { inkwell: '1', profile: { name: 'wcag22-aa', standard: 'WCAG 2.2', level: 'AA' }, pages };
}

const total = report().pages[0]!.findings.length;

// W3C EARL 1.0 schema (from memory): every assertion has an assertor, a subject, a test and a result with an outcome.
test('EARL: read as JSON-LD, every assertion has its four parts', async () => {
  const quads = (await jsonld.toRDF(JSON.parse(await written('earl', report())) as object)) as unknown as {
    subject: { value: string };
    predicate: { value: string };
    object: { value: string };
  }[];
  const EARL = 'http://www.w3.org/ns/earl#';
  const assertions = quads
    .filter((quad) => quad.predicate.value.endsWith('#type') && quad.object.value === `${EARL}Assertion`)
    .map((quad) => quad.subject.value);
  expect(assertions).toHaveLength(total + 1);
  const value = (subject: string, name: string) =>
    quads.find((quad) => quad.subject.value === subject && quad.predicate.value === EARL + name)?.object.value;
  for (const assertion of assertions) {
    expect(value(assertion, 'assertedBy')).toBe('urn:inkwell:engine');
    expect(value(assertion, 'subject')).toMatch(/^urn:inkwell:page:[12]$/);
    expect(value(assertion, 'test')).toMatch(/^urn:inkwell:/);
    expect(value(value(assertion, 'result')!, 'outcome')).toMatch(/#(?:failed|cantTell|passed)$/);
  }
  expect(quads.filter((quad) => quad.object.value === `${EARL}passed`)).toHaveLength(1);
});

// OASIS SARIF 2.1.0, 3.27 (from memory): what a result must and may hold.
test('SARIF: each result points to its rule and place, and a question is one to review', async () => {
  const sarif = JSON.parse(await written('sarif', report())) as {
    version: string;
    runs: {
      tool: { driver: { rules: { id: string }[] } };
      results: {
        ruleId: string;
        ruleIndex: number;
        kind: string;
        level: string;
        message: { text: string };
        locations: {
          physicalLocation: { artifactLocation: { uri: string }; region: { startLine: number; charOffset: number; charLength: number } };
        }[];
      }[];
    }[];
  };
  const [run] = sarif.runs;
  expect([sarif.version, run!.results.length]).toEqual(['2.1.0', total]);
  for (const result of run!.results) {
    expect(run!.tool.driver.rules[result.ruleIndex]!.id).toBe(result.ruleId);
    expect(result.level === 'none').toBe(result.kind === 'review');
    const { artifactLocation, region } = result.locations[0]!.physicalLocation;
    expect(artifactLocation.uri).toBe('unit%201/wax.html');
    expect(HTML.slice(region.charOffset, region.charOffset + region.charLength)).toMatch(/^</);
  }
});

// RFC 4180; a cell that begins like a formula is not run by a spreadsheet (common practice).
test('CSV: one row each, quotes doubled, no formulas', async () => {
  const csv = await written('csv', report());
  expect(csv.split('\r\n')).toHaveLength(total + 2);
  expect(
    await written('csv', {
      ...report(),
      pages: [{ ...report().pages[0]!, path: '=1+1,"x"', findings: report().pages[0]!.findings.slice(0, 1) }],
    }),
  ).toContain('"\'=1+1,""x"""');
});

test('JUnit: well-formed, failures counted, questions skipped', async () => {
  const xml = await written('junit', report());
  const page = report().pages[0]!;
  const failures = page.findings.filter((finding) => finding.outcome === 'failed' && finding.weight !== 'consider').length;
  expect(xml).toContain(`<testsuite name="unit 1/wax.html" tests="${total}" failures="${failures}"`);
  expect(xml.match(/<failure /g)).toHaveLength(failures);
  expect(xml.match(/<skipped /g)).toHaveLength(page.findings.filter((finding) => finding.outcome === 'cantTell').length);
  // Opened and closed in pairs, nothing unescaped inside.
  const open: string[] = [];
  for (const [, close, name, self] of xml.matchAll(/<(\/?)([\w-]+)[^<>]*?(\/?)>/g)) {
    if (close) expect(open.pop()).toBe(name);
    else if (!self) open.push(name!);
  }
  expect(open).toEqual([]);
});

test('JSON is laid out as a whole report would be, with no page, one or several', async () => {
  for (const many of [0, 1, 2]) {
    const one = { ...report(), pages: report().pages.slice(0, many) };
    expect(await written('json', one)).toBe(`${JSON.stringify(one, null, 2)}\n`);
  }
});

test('parts come page by page: nothing of a page waits for the one behind it', async () => {
  const { pages, ...head } = report();
  for (const format of ['json', 'earl', 'csv', 'sarif', 'junit'] as const) {
    let given = 0;
    async function* slowly() {
      for (const page of [pages[0]!, pages[0]!, pages[0]!]) {
        given++;
        yield await Promise.resolve(page);
      }
    }
    const seen: number[] = [];
    for await (const part of writeReport(format, head, slowly(), ruleOf)) if (part.includes('bee.png')) seen.push(given);
    expect([format, seen]).toEqual([format, [1, 2, 3]]);
  }
});
