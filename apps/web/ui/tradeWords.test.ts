import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { CRITERIA, REMEDIES, RULES } from '@inkwell/core';
import { offTheTrade } from './tradeWords';

const WEB = join(__dirname, '..');

/** Values and selectors: nobody reads them. */
const UNREAD = new Set(['to mend', 'picture source']);

/** Every text of a file that a reader may see: what stands in markup, and strings of several words. */
function textsIn(file: string): string[] {
  const found: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isJsxText(node)) found.push(node.text);
    else if (ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddleOrTemplateTail(node)) found.push(node.text);
    // Style sheets are no words.
    if (ts.isTaggedTemplateExpression(node)) return;
    node.forEachChild(visit);
  };
  visit(ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX));
  return found.filter((text) => !UNREAD.has(text) && (/\S\s+\S/.test(text) || /^[A-Z][a-z]/.test(text.trim())));
}

function filesUnder(folder: string): string[] {
  return readdirSync(join(WEB, folder), { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name) && !/\.test\.|tradeWords/.test(entry.name))
    .map((entry) => join(entry.parentPath, entry.name));
}

test('screens say what the trade says', () => {
  const files = [...filesUnder('features'), ...filesUnder('ui'), ...filesUnder('server')];
  expect(files.length).toBeGreaterThan(80);
  const off = files.flatMap((file) =>
    textsIn(file).flatMap((text) => {
      const why = offTheTrade(text);
      return why ? [`${file.slice(WEB.length)}: ${text.trim()}: ${why}`] : [];
    }),
  );
  expect(off).toEqual([]);
});

test('so do rules, fixes and criteria', () => {
  const texts = [
    ...RULES.flatMap(({ title, why, fix, question, messages }) => [
      title,
      why,
      fix,
      ...Object.values(question ?? {}),
      ...Object.values(messages),
    ]),
    ...Object.values(REMEDIES).flatMap(({ label, fields }) => [
      label,
      ...(typeof fields === 'function' ? [] : fields.flatMap((field) => [field.label, field.hint ?? ''])),
    ]),
    ...CRITERIA.map(({ asks }) => asks),
  ];
  expect(texts.length).toBeGreaterThan(500);
  const off = texts.flatMap((text) => {
    const why = offTheTrade(String(text));
    return why ? [`${String(text)}: ${why}`] : [];
  });
  expect(off).toEqual([]);
});

test.each([
  ['The picture has no words', /picture/],
  ['Name the file anew', /anew/],
  ['2 note(s) left', /\(s\)/],
])('%s is not said', (text, why) => {
  expect(offTheTrade(text)).toMatch(why);
});

test('words of a page are told as they are', () => {
  expect(offTheTrade('The alternative text begins “Picture of”, which is said already')).toBeNull();
});
