import { readFileSync } from 'node:fs';
import { applyChange, changeOf } from '@inkwell/core';
import fc from 'fast-check';
import { decodeHtml, encodeEdits, encodeText } from '../index.ts';

function written(bytes: Uint8Array, find: string, text: string) {
  const read = decodeHtml(bytes);
  if (!read.ok) throw new Error(read.reason);
  const start = read.text.indexOf(find);
  return { read, result: encodeEdits(bytes, read, [{ start, end: start + find.length, text }]) };
}

const latin = (text: string) => Uint8Array.from(Buffer.from(text, 'latin1'));

test.each([
  ['windows-1252', latin('<meta charset=windows-1252><p>Pr\xfcfung \x80 5 \x96 caf\xe9 X'), 'X', '“Müller” €', '\x93M\xfcller\x94 \x80'],
  ['iso-8859-2', Uint8Array.from([...latin('<meta charset=iso-8859-2><p>'), 0xb3, 0xf3, 0xbc, ...latin(' X')]), 'X', 'łóź', '\xb3\xf3\xbc'],
  ['koi8-r', Uint8Array.from([...latin('<meta charset=koi8-r><p>'), 0xd0, 0xd2, ...latin(' X')]), 'X', 'про', '\xd0\xd2\xcf'],
  [
    'shift_jis',
    Uint8Array.from([...latin('<meta charset=shift_jis><p>'), 0x83, 0x5c, 0x83, 0x5c, ...latin(' X')]),
    'X',
    '表ソ',
    '\x95\x5c\x83\x5c',
  ],
  [
    'euc-jp',
    Uint8Array.from([...latin('<meta charset=euc-jp><p>'), 0xc6, 0xfc, 0xcb, 0xdc, ...latin(' X')]),
    'X',
    '日本',
    '\xc6\xfc\xcb\xdc',
  ],
  ['gbk', Uint8Array.from([...latin('<meta charset=gbk><p>'), 0xd6, 0xd0, ...latin(' X')]), 'X', '中文', '\xd6\xd0\xce\xc4'],
  ['big5', Uint8Array.from([...latin('<meta charset=big5><p>'), 0xa4, 0xa4, ...latin(' X')]), 'X', '中', '\xa4\xa4'],
])('what is put into a page in %s is written in it, and the bytes around stay', (_name, bytes, find, text, put) => {
  const { result } = written(bytes, find, text);
  expect(result.ok && Buffer.from(result.bytes).toString('latin1')).toBe(Buffer.from(bytes).toString('latin1').replace(find, put));
});

test('a byte order mark, bytes that are no letters and a zero byte outlive an edit', () => {
  const marked = Uint8Array.from([0xef, 0xbb, 0xbf, ...new TextEncoder().encode('<p>é X</p>')]);
  expect([...(written(marked, 'X', 'łuk').result as { bytes: Uint8Array }).bytes.subarray(0, 3)]).toEqual([0xef, 0xbb, 0xbf]);
  const broken = Uint8Array.from([...latin('<meta charset=utf-8><p>'), 0xe2, 0x41, 0xff, 0x00, 0xc3, 0xa9, ...latin(' X tail')]);
  const { result } = written(broken, 'X', 'é');
  expect(
    result.ok && Buffer.from(result.bytes).equals(Buffer.from([...broken.subarray(0, broken.length - 6), 0xc3, 0xa9, ...latin(' tail')])),
  ).toBe(true);
  const wide = Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from('<p>é X</p>', 'utf16le')]);
  expect(Buffer.from((written(wide, 'X', '€').result as { bytes: Uint8Array }).bytes).toString('utf16le')).toBe('\ufeff<p>é €</p>');
});

test('letters the encoding does not have are named, each once', () => {
  expect(written(latin('<meta charset=windows-1252><p>X'), 'X', 'Łódź 漢 Ł').result).toEqual({ ok: false, letters: ['Ł', 'ź', '漢'] });
});

test('edits at random on mixed bytes agree with the edited text, and leave every other byte', () => {
  const pieces = fc.array(
    fc.oneof(
      fc.constantFrom('é', '漢', '🐝', 'a', '<b>', '\r\n', '\ufffd').map((text) => Buffer.from(text)),
      fc.constantFrom([0xff], [0xe2, 0x82], [0xc3]).map((some) => Buffer.from(some)),
    ),
    { minLength: 1, maxLength: 40 },
  );
  fc.assert(
    fc.property(pieces, fc.nat(), fc.nat(3), fc.constantFrom('', 'ü', '🐝x'), (some, at, length, text) => {
      const bytes = Buffer.concat([Buffer.from('<meta charset=utf-8><p>'), ...some, Buffer.from(' end of it all, with plain words')]);
      const read = decodeHtml(bytes);
      if (!read.ok) return;
      const start = 23 + (at % (read.text.length - 30));
      const edit = { start, end: Math.min(read.text.length, start + length), text };
      // Not through the middle of a letter of two units.
      if ([edit.start, edit.end].some((offset) => /[\udc00-\udfff]/.test(read.text[offset] ?? ''))) return;
      const change = changeOf(read.text, [edit]);
      const result = encodeEdits(bytes, read, [edit]);
      if (!change.ok || !result.ok) throw new Error('refused');
      const after = decodeHtml(result.bytes);
      const wanted = applyChange(read.text, change.value);
      expect(after.ok && after.text).toBe(wanted.ok && wanted.value);
    }),
    { seed: 7, numRuns: 2_000 },
  );
});

test('text in windows-1252 reads back the same, sign by sign', () => {
  const bytes = Uint8Array.from({ length: 256 }, (_, byte) => byte).filter((byte) => byte > 31);
  const read = decodeHtml(Uint8Array.from([...latin('<meta charset=windows-1252>'), ...bytes]));
  const back = read.ok && encodeText(read.text.slice(27), 'windows-1252');
  expect(back && back.ok && Buffer.from(back.bytes).equals(Buffer.from(bytes))).toBe(true);
});

test('this file itself is untouched by an empty edit', () => {
  const bytes = readFileSync(__filename);
  const read = decodeHtml(Buffer.concat([Buffer.from('<p>'), bytes]));
  expect(read.ok && encodeEdits(Buffer.concat([Buffer.from('<p>'), bytes]), read, [])).toMatchObject({ ok: true });
});
