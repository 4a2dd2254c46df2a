import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { inkwellFolder } from './testing/inkwell.ts';

const { folder, file, call, remove } = inkwellFolder();
afterAll(remove);

/** Slips that need nobody's judgement stand beside slips that do; line ends and quotes are of every kind. */
const PAGE = `<h2>Wax</h2>\r\n<h2> </h2>\n<p><A HREF='https://locks.example/a' title="Locks">Locks</A></p>\n<p><img src="old-lock.png" alt="Photo of a lock"></p>\n<p>See <a href="b.html">here</a>.</p>\n<h5>Soy</h5><p>Text &amp; more</p>\n`;
const FIXED = `<h2>Wax</h2>\r\n<p><A HREF='https://locks.example/a'>Locks</A></p>\n<p><img src="old-lock.png" alt="A lock"></p>\n<p>See <a href="b.html">here</a>.</p>\n<h5>Soy</h5><p>Text &amp; more</p>\n`;

beforeAll(() => file('page.html', PAGE));

interface Told {
  rule: string;
  fingerprint: string;
}

function findingsOf(name: string): Told[] {
  return (JSON.parse(call(['audit', name, '--format', 'json']).out) as { pages: { findings: Told[] }[] }).pages[0]!.findings;
}

const fingerprintOf = (rule: string) => findingsOf('page.html').find((finding) => finding.rule === rule)!.fingerprint;

test('fixes what is certain and not one other byte, and says what is left', () => {
  const { status, out, error } = call(['fix', 'page.html']);
  expect(out).toBe(FIXED);
  expect(error).toMatch(/^Fixed 3: This level 2 heading has no text; .*\. 4 left for a person\n$/);
  expect(status).toBe(0);
  // The file itself is left alone until it is named with --out.
  expect(readFileSync(join(folder, 'page.html'), 'utf8')).toBe(PAGE);
});

test('--out writes the file, and fixing it again changes nothing', () => {
  expect(call(['fix', 'page.html', '--out', 'fixed.html']).out).toBe('');
  expect(readFileSync(join(folder, 'fixed.html'), 'utf8')).toBe(FIXED);
  expect(call(['fix', 'fixed.html'])).toMatchObject({ out: FIXED, error: expect.stringContaining('Nothing was fixed') as unknown });
});

test('--only fixes by the rules that are named', () => {
  expect(call(['fix', 'page.html', '--only', 'headings/blank,links/title-repeats']).out).toBe(
    FIXED.replace('"A lock"', '"Photo of a lock"'),
  );
});

test('--diff is a patch, and nothing where nothing differs', () => {
  const { out } = call(['fix', 'page.html', '--only', 'headings/blank', '--diff']);
  expect(out.split('\n').filter((line) => /^[-+][^-+]/.test(line))).toEqual(['-<h2> </h2>']);
  expect(call(['fix', 'page.html', '--only', 'tables/no-headers', '--diff']).out).toBe('');
});

test('one finding is fixed with what a person says', () => {
  const { out, error } = call([
    'fix',
    'page.html',
    '--finding',
    fingerprintOf('links/vague'),
    '--remedy',
    'reword',
    '--set',
    'text=Fees & tides = 2027',
  ]);
  expect(out).toBe(PAGE.replace('>here<', '>Fees &amp; tides = 2027<'));
  expect(error).toContain('Fixed 1');
  const level = call(['fix', 'page.html', '--finding', fingerprintOf('headings/leap'), '--remedy', 'set-level', '--set', 'level=3']);
  expect(level.out).toBe(PAGE.replace('<h5>Soy</h5>', '<h3>Soy</h3>'));
});

test('standard input is fixed to standard output', () => {
  expect(call(['fix', '-'], '<p>a</p><h3></h3>')).toMatchObject({ out: '<p>a</p>' });
});

test('standard input with nothing to fix comes out as it went in', () => {
  expect(call(['fix', '-'], '<h2>Boxes</h2>\r\n<p>A hive has a floor.</p>')).toMatchObject({
    status: 0,
    out: '<h2>Boxes</h2>\r\n<p>A hive has a floor.</p>',
  });
});

test('a page that is still held ends with 1', () => {
  file('held.html', '<p><img src="a.png"></p>');
  expect(call(['fix', 'held.html']).status).toBe(1);
});

test.each<[string, () => string[], RegExp]>([
  ['a rule that is none', () => ['--only', 'headings/gone'], /there is no rule headings\/gone/],
  ['a fingerprint that is none', () => ['--finding', '0000'], /no finding of this page has the fingerprint 0000/],
  [
    'a remedy of another rule',
    () => ['--finding', fingerprintOf('links/vague'), '--remedy', 'decorative'],
    /links\/vague has no remedy decorative; it has reword, absorb-words, use-target-title/,
  ],
  ['no remedy where none is certain', () => ['--finding', fingerprintOf('links/vague')], /name a --remedy/],
  [
    'an input that is not asked for',
    () => ['--finding', fingerprintOf('links/vague'), '--remedy', 'reword', '--set', 'words=x'],
    /reword asks for text, not for words/,
  ],
  [
    'words that are no better',
    () => ['--finding', fingerprintOf('links/vague'), '--remedy', 'reword', '--set', 'text=click here'],
    /reword was not applied: .*still does not say/,
  ],
  [
    '--set that is no pair',
    () => ['--finding', fingerprintOf('links/vague'), '--remedy', 'reword', '--set', 'text'],
    /--set takes key=value/,
  ],
  ['--remedy without its finding', () => ['--remedy', 'reword'], /name it with --finding/],
])('%s is refused in one line, and nothing is written', (_shows, args, reason) => {
  const { status, out, error } = call(['fix', 'page.html', ...args()]);
  expect([status, out]).toEqual([2, '']);
  expect(error).toMatch(reason);
  expect(error.trimEnd().split('\n')).toHaveLength(1);
});

describe('the encoding a page was read in', () => {
  const latin = (text: string) => Buffer.from(text, 'latin1');

  test('is the one it is written back in, and no byte outside the fixes changes', () => {
    const page = latin('<meta charset="windows-1252"><h2>Pr\xfcfung \x80 5</h2><h2></h2><p>Caf\xe9 \x96 cr\xe8me</p>\r\n');
    file('windows.html', page);
    expect(call(['fix', 'windows.html', '--out', 'windows-fixed.html']).status).not.toBe(2);
    expect(readFileSync(join(folder, 'windows-fixed.html')).toString('latin1')).toBe(page.toString('latin1').replace('<h2></h2>', ''));
    const marked = Buffer.from([0xef, 0xbb, 0xbf, ...Buffer.from('<h2>Café</h2><h2></h2><p>x</p>')]);
    file('marked.html', marked);
    call(['fix', 'marked.html', '--out', 'marked-fixed.html']);
    expect(readFileSync(join(folder, 'marked-fixed.html'))).toEqual(
      Buffer.from([0xef, 0xbb, 0xbf, ...Buffer.from('<h2>Café</h2><p>x</p>')]),
    );
  });

  test('takes the letters it has, and refuses those it has not with what to write in their place', () => {
    file('describe.html', latin('<meta charset="windows-1252"><h2>Caf\xe9</h2><p>A <img src="a.png"></p>'));
    const { fingerprint } = findingsOf('describe.html').find((finding) => finding.rule === 'images/no-alternative')!;
    const describe = (alt: string) =>
      call(['fix', 'describe.html', '--finding', fingerprint, '--remedy', 'describe', '--set', `alt=${alt}`, '--out', 'described.html']);
    expect(describe('Crème brûlée, 5 €').status).not.toBe(2);
    expect(readFileSync(join(folder, 'described.html')).toString('latin1')).toContain('alt="Cr\xe8me br\xfbl\xe9e, 5 \x80"');
    const refused = describe('Łódź');
    expect([refused.status, refused.error]).toEqual([
      2,
      expect.stringMatching(/windows-1252, which has no “Ł” \(write &#321;\), “ź” \(write &#378;\)/),
    ]);
  });

  test('of four equal findings the one that is named by its fingerprint is fixed', () => {
    const words = ['one', 'two', 'three', 'four'];
    const html = `<h2>A</h2>${words.map((word) => `<p>${word}</p><h2></h2>`).join('')}<p>end</p>`;
    file('twins.html', html);
    const twins = findingsOf('twins.html').filter((finding) => finding.rule === 'headings/blank');
    twins.forEach(({ fingerprint }, i) => {
      expect(call(['fix', 'twins.html', '--finding', fingerprint, '--remedy', 'remove']).out).toBe(
        html.replace(`<p>${words[i]}</p><h2></h2>`, `<p>${words[i]}</p>`),
      );
    });
    expect(call(['fix', 'twins.html']).out).toBe(html.replaceAll('<h2></h2>', ''));
  });
});
