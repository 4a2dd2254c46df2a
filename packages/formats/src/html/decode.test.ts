import { acceptText, decodeHtml, hasMarkup, LARGEST_PAGE } from './decode.ts';

const bytes = (...parts: (number[] | string)[]) =>
  new Uint8Array(parts.flatMap((part) => (typeof part === 'string' ? [...new TextEncoder().encode(part)] : part)));
const utf16 = (text: string, little: boolean) =>
  new Uint8Array(
    [...text].flatMap((sign) =>
      little ? [sign.charCodeAt(0) & 255, sign.charCodeAt(0) >> 8] : [sign.charCodeAt(0) >> 8, sign.charCodeAt(0) & 255],
    ),
  );

function textOf(input: Uint8Array): [string, string] {
  const read = decodeHtml(input);
  if (!read.ok) throw new Error(read.reason);
  return [read.text, read.encoding];
}

// Source of the order of signs: HTML Living Standard, "determining the character encoding"; the byte marks: Unicode, chapter 23.8.
test.each([
  ['UTF-8 with a mark, which is not part of the text', bytes([0xef, 0xbb, 0xbf], '<p>é</p>'), '<p>é</p>', 'utf-8'],
  ['UTF-16 with its mark', new Uint8Array([0xff, 0xfe, ...utf16('<p>é</p>', true)]), '<p>é</p>', 'utf-16le'],
  ['UTF-16, the other way round', new Uint8Array([0xfe, 0xff, ...utf16('<p>é</p>', false)]), '<p>é</p>', 'utf-16be'],
  ['UTF-16 without a mark', utf16('<p>plain</p>', true), '<p>plain</p>', 'utf-16le'],
  [
    'an encoding the page names',
    bytes('<meta charset="iso-8859-2"><p>', [0xb3], '</p>'),
    '<meta charset="iso-8859-2"><p>ł</p>',
    'iso-8859-2',
  ],
  [
    'the older way of naming it',
    bytes('<meta http-equiv="Content-Type" content="text/html; charset=windows-1251"><p>', [0xe4], '</p>'),
    '<meta http-equiv="Content-Type" content="text/html; charset=windows-1251"><p>д</p>',
    'windows-1251',
  ],
  ['no sign at all, and sound UTF-8', bytes('<p>naïve</p>'), '<p>naïve</p>', 'utf-8'],
  ['no sign, and bytes that are no UTF-8', bytes('<p>', [0x93], 'caf', [0xe9, 0x94], '</p>'), '<p>“café”</p>', 'windows-1252'],
  ['an encoding nobody knows', bytes('<meta charset="larkmoor-8"><p>é</p>'), '<meta charset="larkmoor-8"><p>é</p>', 'utf-8'],
])('reads %s', (_shows, input, text, encoding) => {
  expect(textOf(input)).toEqual([text, encoding]);
});

test.each([
  ['nothing', new Uint8Array(), 'empty'],
  ['only spaces', bytes(' \n\t '), 'empty'],
  ['a PDF', bytes('%PDF-1.7 stream'), 'not-html'],
  ['an image', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]), 'not-html'],
  ['more than a page can be', new Uint8Array(LARGEST_PAGE + 1).fill(65), 'too-large'],
])('refuses %s', (_shows, input, reason) => {
  expect(decodeHtml(input)).toEqual({ ok: false, reason });
});

test('a stray zero or half a character is replaced and counted, the rest kept', () => {
  const read = acceptText(`<p>one${'\u0000'} two ${'\ud83d'} ${'a'.repeat(400)}</p>`);
  expect(read).toMatchObject({ ok: true, replaced: 2 });
});

test('tells markup from plain words', () => {
  expect(hasMarkup('<p>One</p>')).toBe(true);
  expect(hasMarkup('2 < 3 and 5 > 4')).toBe(false);
});
