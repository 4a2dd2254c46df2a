import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { inkwellFolder } from './testing/inkwell.ts';

const { folder, file, call: inkwell, remove } = inkwellFolder();

beforeAll(() => {
  mkdirSync(join(folder, 'site/unit-1'), { recursive: true });
  file('held.html', '<h2>Wax</h2>\r\n<p>One <img src="smoker.png"></p>');
  file('ready.html', '<h2>Wax</h2>');
  file('windows.html', Buffer.concat([Buffer.from('<h2>Caf'), Buffer.from([0xe9]), Buffer.from('</h2><h4>x</h4>')]));
  for (let i = 0; i < 30; i++)
    file(
      `site/unit-1/page-${String(i).padStart(2, '0')}.html`,
      `<html lang="en"><head><title>Page ${i}</title></head><body><main><h1>Page ${i}</h1>${'<p>Text</p>'.repeat(i)}<img src="heron-${i}.png"></main></body></html>`,
    );
});

afterAll(remove);

test('audit --format json gives what docs promise, the same each time', () => {
  const { status, out } = inkwell(['audit', 'held.html', '--format', 'json']);
  expect(status).toBe(1);
  const report = JSON.parse(out) as { pages: { findings: unknown[] }[] };
  expect(report).toMatchObject({
    profile: { name: 'wcag22-aa', standard: 'WCAG 2.2', level: 'AA' },
    pages: [{ path: 'held.html', title: '', scope: 'fragment', verdict: 'held' }],
  });
  expect(report.pages[0]!.findings).toEqual([
    {
      rule: 'images/no-alternative',
      family: 'images',
      weight: 'must',
      outcome: 'failed',
      criteria: ['1.1.1'],
      techniques: ['F65', 'H37', 'H36', 'H24', 'H53'],
      message: 'The image smoker.png has no alternative text',
      at: { path: '/html[1]/body[1]/p[1]/img[1]', start: 21, end: 43, line: 2, column: 8 },
      fingerprint: expect.stringMatching(/^[0-9a-f]{16}$/) as unknown,
      remedies: [
        { name: 'describe', certain: false, needs: ['alt'] },
        { name: 'decorative', certain: false, needs: [] },
      ],
    },
  ]);
  expect(inkwell(['audit', 'held.html', '--format', 'json']).out).toBe(out);
});

test('a page that nothing holds exits with 0, and standard input is read', () => {
  expect(inkwell(['audit', 'ready.html']).status).toBe(0);
  const { status, out } = inkwell(['audit', '-'], '<p><a href="x"></a></p>');
  expect(status).toBe(1);
  expect(out).toContain('A link to x has no text');
});

test('--scope overrules what the tags say', () => {
  const { out } = inkwell(['audit', 'ready.html', '--scope', 'document', '--format', 'json']);
  expect((JSON.parse(out) as { pages: { findings: { rule: string }[] }[] }).pages[0]!.findings.map((finding) => finding.rule)).toEqual([
    'document/no-language',
    'document/no-title',
    'document/no-main',
    'headings/last-empty',
  ]);
});

test('a folder is one call, its pages in name order, from many workers as from one', () => {
  const { status, out } = inkwell(['audit', 'site', '--format', 'json', '--out', 'report.json']);
  expect([status, out]).toEqual([1, '']);
  const report = JSON.parse(readFileSync(join(folder, 'report.json'), 'utf8')) as {
    pages: { path: string; title: string; findings: { rule: string }[] }[];
  };
  expect(report.pages.map((page) => page.title)).toEqual(Array.from({ length: 30 }, (_none, i) => `Page ${i}`));
  expect(report.pages[3]!.path).toBe('unit-1/page-03.html');
  // Every page shows one image that has no alternative and that is missing from the folder.
  for (const page of report.pages)
    expect(page.findings.map((finding) => finding.rule).sort()).toEqual(['images/broken', 'images/no-alternative']);
});

test('bytes are read by their own encoding', () => {
  expect(inkwell(['compare', 'windows.html', 'ready.html', '--json']).out).toContain('“x” leaps from level 2 to level 4');
  expect(inkwell(['audit', 'windows.html']).status).toBe(0);
});

test('compare names what was fixed, kept and brought', () => {
  file('later.html', '<p>New</p><h2>Wax</h2>\r\n<p>One <img src="smoker.png"></p><h4>Soy</h4><p>Text</p>');
  const { status, out } = inkwell(['compare', 'held.html', 'later.html', '--json']);
  const compared = JSON.parse(out) as {
    fixed: unknown[];
    kept: { old: { at: { start: number } }; new: { at: { start: number } } }[];
    new: { rule: string }[];
  };
  expect(status).toBe(1);
  expect(compared.fixed).toEqual([]);
  expect(compared.kept.map((pair) => [pair.old.at.start, pair.new.at.start])).toEqual([[21, 31]]);
  expect(compared.new.map((finding) => finding.rule)).toEqual(['headings/leap']);
});

test('rules lists every rule with its criteria', () => {
  const rules = JSON.parse(inkwell(['rules', '--json']).out) as { id: string; criteria: { id: string; level: string }[] }[];
  expect(rules.length).toBeGreaterThanOrEqual(19);
  expect(rules.find((rule) => rule.id === 'tables/no-headers')?.criteria).toEqual([
    { id: '1.3.1', title: 'Info and Relationships', level: 'A', since: '2.0' },
  ]);
});

test.each<[string[], RegExp]>([
  [['audit'], /audit needs a PATH/],
  [['audit', 'gone.html'], /gone\.html does not exist/],
  [['audit', 'held.html', '--profile', 'wcag30'], /no profile "wcag30"/],
  [['audit', 'held.html', '--format', 'pdf'], /--format is text or json/],
  [['audit', 'held.html', '--colour'], /unknown option '--colour'/],
  [['inspekt'], /no command "inspekt"/],
  [['compare', 'held.html'], /two paths/],
  [['compare', 'held.html', 'site'], /a folder and a page/],
])('a wrong call, %j, is answered in one line and exit code 2', (args, line) => {
  const { status, out, error } = inkwell(args);
  expect([status, out]).toEqual([2, '']);
  expect(error).toMatch(line);
  expect(error.trim().split('\n')).toHaveLength(1);
});

test('help teaches', () => {
  expect(inkwell(['--help'])).toMatchObject({ status: 0, out: expect.stringContaining('inkwell audit lesson.html') as unknown });
  expect(inkwell(['audit', '--help']).out).toContain('--profile');
});
