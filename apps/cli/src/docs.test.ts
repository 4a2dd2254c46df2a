import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { parsePage, RULES, sentenceOf } from '@inkwell/core';
import { auditPage } from '@inkwell/core';
import { writeZip } from '../../../packages/formats/src/testing/zips.ts';
import { inkwellFolder } from './testing/inkwell.ts';

const root = join(__dirname, '../../..');
const docs = [
  'README.md',
  ...readdirSync(join(root, 'docs'))
    .filter((name) => name.endsWith('.md'))
    .map((name) => `docs/${name}`),
];
const texts = docs.map((name) => ({ name, text: readFileSync(join(root, name), 'utf8') }));

const { folder, file, call, remove } = inkwellFolder();
afterAll(remove);

beforeAll(async () => {
  await writeZip(join(folder, 'course.imscc'), [
    {
      name: 'imsmanifest.xml',
      data: '<manifest><resources><resource href="a.html"><file href="a.html"/></resource></resources></manifest>',
    },
    { name: 'a.html', data: '<h2>Wax</h2>' },
  ]);
  await writeZip(join(folder, 'site.zip'), [{ name: 'index.html', data: '<h2>Wax</h2><h2></h2>' }]);
  file('lesson.html', '<h2>Wax</h2><h2></h2><p>- One</p><p>- Two</p>');
  file('old.html', '<h2>Wax</h2><h2></h2>');
  file('new.html', '<h2>Wax</h2><p><img src="x.png"></p>');
});

/** Calls of the command as the docs show them: a line of code that begins with it, without its remark. */
const CALLS = texts.flatMap(({ name, text }) =>
  [...text.matchAll(/^ {4}bin\/inkwell ([^#\n]+?)(?:\s+#.*)?$/gm)].map((match) => [name, match[1]!.trim()] as const),
);

test('there are calls to try', () => expect(CALLS.length).toBeGreaterThan(4));

test.each(CALLS)('%s: inkwell %s does what it says', (_name, line) => {
  const { status, out, error } = call(line.split(/\s+/));
  expect([0, 1]).toContain(status);
  // What goes to a file is told of beside it.
  expect((line.includes('--out') ? error : out).length).toBeGreaterThan(0);
});

test.each(texts.map(({ name, text }) => [name, text] as const))('%s names only files and pictures that are there', (name, text) => {
  const folder = name.startsWith('docs/') ? join(root, 'docs') : root;
  const links = [...text.matchAll(/\]\(([^)#\s]+)\)/g)].map((match) => match[1]!).filter((link) => !/^[a-z]+:/.test(link));
  for (const link of links) expect(() => readFileSync(join(folder, link))).not.toThrow();
});

test('the example of how to add a rule is the rule it shows', () => {
  const text = texts.find(({ name }) => name.endsWith('adding-a-rule.md'))!.text;
  const shown = Object.fromEntries([...text.matchAll(/^\s*(id|title): '([^']+)'/gm)].map((match) => [match[1], match[2]]));
  const rule = RULES.find((one) => one.id === shown.id)!;
  expect(rule.title).toBe(shown.title);
  for (const field of ['criteria', 'techniques', 'remedies', 'tags'] as const) {
    const list = new RegExp(`${field}: \\[([^\\]]+)\\]`).exec(text)![1]!;
    const written = [...list.matchAll(/'([^']+)'/g)].map((match) => match[1]);
    expect(rule[field]).toEqual(expect.arrayContaining(written));
  }
  const message = /messages: \{ (\w+): '([^']+)' \}/.exec(text)!;
  expect((rule.messages as Record<string, string>)[message[1]!]).toBe(message[2]);
  const [found] = auditPage(parsePage('<p><a href="x"></a></p>')).findings.filter((finding) => finding.rule === rule.id);
  expect(sentenceOf(found!)).toBe(message[2]!.replace('{href}', 'x'));
});

test('the number of rules and remedies the README tells is right', () => {
  const text = texts[0]!.text;
  expect(text).toContain(`${RULES.length} rules`);
});
