import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { toRDF } from 'jsonld';
import {
  answerReader,
  compareReports,
  drawSample,
  HERE,
  judgeCriterion,
  keepReportNow,
  letStand,
  makeReport,
  publicStatement,
  reportFile,
  saveSource,
  setStatement,
  showBarriers,
  showReport,
  signOff,
  tellBarrier,
  type ReportFile,
  type ReportSaid,
  type Result,
} from '../index.ts';
import { bench, INES, personAs, RUTH, UMA } from '../testing/bench.ts';

const { services, db, at, page, look, SLUG, collection } = bench();
const wish = { collection: SLUG };
const AUTHOR = personAs('author');

function value<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`${result.problem.what}: ${result.problem.why ?? ''}`);
  return result.value;
}

async function file(format: ReportFile): Promise<Buffer> {
  const parts: Buffer[] = [];
  for await (const part of value(await reportFile(services, INES, { ...wish, format })).parts) parts.push(Buffer.from(part));
  return Buffer.concat(parts);
}

const of = (said: ReportSaid, id: string) => said.criteria.find((one) => one.id === id)!;
const slugs: Record<string, string> = {};

beforeAll(async () => {
  const texts = {
    good: '<h2>Hive</h2><p>Boxes.</p>',
    held: '<h2>Hive</h2><p>A <img src="hive.png"></p>',
    worse: '<h2>Hive</h2><p>A <img src="hive.png"> and <img src="hive.png"></p><p><a href="#none">Click here</a>.</p>',
  };
  for (const [name, html] of Object.entries(texts)) slugs[name] = (await page(html, `A page that is ${name}`)).slug;
});

describe('the record', () => {
  test('counts what an audit of the very texts counts, by weight and by criterion', async () => {
    const said = value(await makeReport(services, INES, wish));
    const audits = [];
    for (const slug of Object.values(slugs)) {
      const view = await look(slug);
      const seen = { html: view.html, scope: 'fragment' as const, title: view.title, address: `${slug}.html`, neighbours: { titles: {} } };
      audits.push((await HERE.run('examine', { page: seen })).findings);
    }
    const open = audits.flat().filter(({ outcome }) => outcome === 'failed');
    for (const weight of ['must', 'should'] as const) expect(said.totals[weight]).toBe(open.filter((one) => one.weight === weight).length);
    const failing = audits.map((findings) => findings.some((one) => one.outcome === 'failed' && one.criteria.includes('1.1.1')));
    expect(of(said, '1.1.1')).toMatchObject({ outcome: 'failed', basis: 'audit', counts: { pages: failing.filter(Boolean).length } });
    expect(said.subject).toMatchObject({ kind: 'collection', pages: 3 });
  });

  test('never says that something passed that nobody looked at', async () => {
    const said = value(await makeReport(services, INES, wish));
    for (const one of said.criteria) if (one.outcome === 'passed') expect(one.rules > 0 || one.judged !== null).toBe(true);
    expect(of(said, '2.5.1')).toMatchObject({ outcome: 'not looked at' });
    expect(of(said, '1.2.2')).toMatchObject({ outcome: 'not present' });
  });

  test('what a person judged counts, and says how; an author does not judge', async () => {
    const judged = {
      ...wish,
      criterion: '2.1.1',
      outcome: 'passed' as const,
      words: 'Every control was reached with the Tab key on three pages.',
    };
    expect(await judgeCriterion(services, INES, { ...judged, words: ' ' })).toMatchObject({ ok: false, problem: { code: 'bad-page' } });
    expect(await judgeCriterion(services, AUTHOR, judged)).toMatchObject({ ok: false, problem: { code: 'not-allowed' } });
    value(await judgeCriterion(services, INES, judged));
    expect(of(value(await makeReport(services, INES, wish)), '2.1.1')).toMatchObject({
      outcome: 'passed',
      basis: 'person',
      judged: { by: 'Ines Calder' },
    });
    value(await judgeCriterion(services, INES, { ...judged, outcome: null, words: '' }));
    expect(of(value(await makeReport(services, INES, wish)), '2.1.1').outcome).toBe('cannot tell');
  });

  test('what is let stand is a failure still, named with its reason and its day', async () => {
    const view = await look(slugs.held!);
    const until = new Date(Date.now() + 9 * 86_400_000).toISOString().slice(0, 10);
    value(await letStand(services, INES, { ...at(view), findingId: view.notes[0]!.id, reason: 'It is being redrawn.', until }));
    const said = value(await makeReport(services, INES, { ...wish, page: slugs.held! }));
    expect(of(said, '1.1.1')).toMatchObject({ outcome: 'failed', counts: { excepted: 1, failed: 0 } });
    expect(said.exceptions).toEqual([expect.objectContaining({ reason: 'It is being redrawn.', until, by: 'Ines Calder' })]);
    expect(said.subject).toMatchObject({ kind: 'page', pages: 1 });
  });

  test('as many statements for any number of pages', async () => {
    const seen: string[] = [];
    const count = async () => {
      seen.length = 0;
      const counted = {
        ...services,
        db: services.db.withPlugin({
          transformQuery: (args) => (seen.push('one'), args.node),
          transformResult: (args) => Promise.resolve(args.result),
        }),
      };
      value(await makeReport(counted, INES, wish));
      return seen.length;
    };
    const before = await count();
    for (let nth = 0; nth < 6; nth++) await page('<p><img src="hive.png"></p>');
    expect(await count()).toBe(before);
    expect(before).toBeLessThan(20);
  });
});

describe('its forms', () => {
  test('the page that stands alone has no finding of weight must or should of our own audit', async () => {
    const html = (await file('html')).toString();
    const text = { html, scope: 'document' as const, title: '', address: 'report.html', neighbours: { titles: {} } };
    const { findings } = await HERE.run('examine', { page: text });
    expect(findings.filter(({ weight, outcome }) => outcome === 'failed' && weight !== 'consider').map(({ rule: id }) => id)).toEqual([]);
    expect(html).not.toMatch(/<script|https?:\/\//);
  });

  test('EARL is JSON-LD whose triples give each criterion its outcome (W3C EARL 1.0 Schema)', async () => {
    const said = value(await makeReport(services, INES, wish));
    const triples = (await toRDF(JSON.parse((await file('earl')).toString()) as object)) as {
      predicate: { value: string };
      object: { value: string };
    }[];
    const outcomes = triples
      .filter(({ predicate }) => predicate.value === 'http://www.w3.org/ns/earl#outcome')
      .map(({ object }) => object.value.split('#')[1]);
    expect(outcomes).toHaveLength(said.criteria.length);
    expect(new Set(outcomes)).toEqual(new Set(['passed', 'failed', 'cantTell', 'inapplicable', 'untested']));
  });

  test('JSON has the findings, CSV a row for each, a workbook a sheet', async () => {
    const json = JSON.parse((await file('json')).toString()) as ReportSaid & { findings: { id: number }[]; method: string };
    const rows = (await file('csv')).toString().trimEnd().split('\r\n');
    expect(json.method).toBe('WCAG-EM 1.0');
    expect(rows).toHaveLength(json.findings.length + 1);
    const open = json.totals.must + json.totals.should + json.totals.consider + json.totals.questions + json.totals.excepted;
    expect(json.findings).toHaveLength(open);
    const xlsx = await file('xlsx');
    expect(xlsx.subarray(0, 2).toString()).toBe('PK');
    expect(xlsx.toString('latin1')).toContain('xl/worksheets/sheet3.xml');
  });

  test('the PDF has tags, an outline, its title and its language', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'inkwell-report-'));
    try {
      writeFileSync(join(folder, 'report.pdf'), await file('pdf'));
      const pdfjs = pathToFileURL(join(__dirname, '../../../../node_modules/pdfjs-dist/legacy/build/pdf.mjs')).href;
      const script = `import { readFileSync } from 'node:fs'; import { getDocument } from ${JSON.stringify(pdfjs)};
        const pdf = await getDocument({ data: new Uint8Array(readFileSync(${JSON.stringify(join(folder, 'report.pdf'))})), verbosity: 0 }).promise;
        const roles = new Set(); const walk = (one) => { roles.add(one.role); (one.children ?? []).forEach(walk); };
        const texts = [];
        for (let nth = 1; nth <= pdf.numPages; nth++) { const page = await pdf.getPage(nth); walk((await page.getStructTree()) ?? {}); texts.push(...(await page.getTextContent()).items.map((one) => one.str)); }
        const { info } = await pdf.getMetadata();
        console.log(JSON.stringify({ roles: [...roles], outline: (await pdf.getOutline()).map(({ title, items }) => [title, items.length]), title: info.Title, language: info.Language, marked: (await pdf.getMarkInfo())?.Marked, text: texts.join('') }));`;
      writeFileSync(join(folder, 'read.mjs'), script);
      const ran = spawnSync(process.execPath, [join(folder, 'read.mjs')], { encoding: 'utf8' });
      const read = JSON.parse(ran.stdout) as {
        roles: string[];
        outline: [string, number][];
        title: string;
        language: string;
        marked: boolean;
        text: string;
      };
      expect(read).toMatchObject({ title: 'Accessibility report: Tests', language: expect.stringMatching(/^en/), marked: true });
      expect(read.roles).toEqual(expect.arrayContaining(['H1', 'H2', 'Table', 'TH', 'TD']));
      expect(read.outline[0]).toEqual(['Accessibility report: Tests', 7]);
      expect(read.text).toContain('Outcome of each criterion');
    } finally {
      rmSync(folder, { recursive: true });
    }
  }, 40_000);
});

describe('reports over time, samples, and what the public is told', () => {
  test('two reports compared tell which criteria and pages changed', async () => {
    const { id } = value(await keepReportNow(services, INES, wish));
    const view = await look(slugs.worse!);
    value(await saveSource(services, INES, { ...at(view), html: '<h2>Hive</h2><p>Boxes.</p>' }));
    value(await signOff(services, RUTH, at(await look(slugs.worse!))));
    const told = value(await compareReports(services, INES, { ...wish, before: id, after: null }));
    expect(told.pages).toContainEqual({ slug: slugs.worse, title: 'A page that is worse', before: 'held', after: 'ready, signed off' });
    expect(told.criteria.find((one) => one.id === '1.1.1')!.before!.failed).toBeGreaterThan(
      told.criteria.find((one) => one.id === '1.1.1')!.after!.failed,
    );
    expect(value(await showReport(services, INES, wish)).kept.map((one) => one.id)).toEqual([id]);
    expect(await compareReports(services, INES, { ...wish, before: 999_999_999, after: null })).toMatchObject({
      ok: false,
      problem: { code: 'not-found' },
    });
  });

  test('a sample is drawn by its seed, and a report of it says so and counts its pages alone', async () => {
    const { pages } = value(await drawSample(services, INES, { ...wish, seed: 11, most: 2 }));
    expect(pages).toBe(3);
    const said = value(await makeReport(services, INES, { ...wish, sampleOnly: true }));
    expect([said.subject.pages, said.sample]).toEqual([3, { seed: 11, of: 9, structured: 2, random: 1 }]);
    value(await drawSample(services, INES, { ...wish, seed: null, most: 1 }));
    expect(value(await makeReport(services, INES, wish)).sample).toBeNull();
  });

  test('a statement is there once it was made, in plain words; a reader’s barrier waits for whoever reviews', async () => {
    expect(await publicStatement(services, wish)).toMatchObject({ ok: false, problem: { code: 'not-found' } });
    value(
      await setStatement(services, RUTH, { ...wish, contact: 'access@larkmoor.example', words: 'We look at every lesson.', shown: true }),
    );
    const shown = value(await publicStatement(services, wish));
    expect(shown).toMatchObject({ contact: 'access@larkmoor.example', said: { standard: { name: 'WCAG 2.2', level: 'AA' } } });
    expect(shown.failed.map(({ id }) => id)).toContain('1.1.1');
    const barrier = {
      ...wish,
      place: 'https://larkmoor.example/site/a-page-that-is-held.html#hive',
      words: 'I cannot tell what the image shows.',
      replyTo: '',
    };
    expect(await tellBarrier(services, { ...barrier, words: ' ' })).toMatchObject({ ok: false });
    expect(await tellBarrier(services, { ...barrier, replyTo: 'no address' })).toMatchObject({ ok: false });
    value(await tellBarrier(services, barrier));
    const [line] = value(await showBarriers(services, UMA, { onlyOpen: true })).filter((one) => one.collection.slug === SLUG);
    expect(line).toMatchObject({ words: barrier.words, page: { slug: slugs.held } });
    expect(await answerReader(services, AUTHOR, { barrier: line!.id, answer: 'x' })).toMatchObject({ ok: false });
    value(await answerReader(services, UMA, { barrier: line!.id, answer: 'The image has a description now.' }));
    expect(await answerReader(services, UMA, { barrier: line!.id, answer: 'Again.' })).toMatchObject({
      ok: false,
      problem: { code: 'nothing-to-do' },
    });
    expect(await db().selectFrom('barriers').select('id').where('collection_id', '=', collection()).execute()).toHaveLength(1);
  });
});
