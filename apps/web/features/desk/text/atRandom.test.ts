/** @jest-environment jsdom */
import { parsePage, textBlocks } from '@inkwell/core';
import { getSchema } from '@tiptap/core';
import { partsOf, readPieces } from './read';
import { textExtensions, type Piece } from './schema';
import { writeText } from './write';

const schema = getSchema(textExtensions((src) => src));

/** Seeded numbers from 0 up to 1 (a linear congruential generator, Numerical Recipes). */
function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

const INLINE = [
  'wax',
  ' &amp; honey',
  '<b>bold</b>',
  '<em lang=de>Wachs</em>',
  '<a href="x.html" title=t>a link</a>',
  '<span class="s">span</span>',
  '<img src="a.png" alt="A">',
  '<br>',
  '<!-- kept -->',
  '<input>',
  '&nbsp;',
  ' 1 &lt; 2 ',
  '<sup>2</sup>',
  '<i>open',
];
const GAPS = ['', '\n', '\r\n\t', '  ', '<!-- between -->', 'bare words', '<hr>', '<script>x < 1</script>'];

function anyPage(next: () => number): string {
  const one = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)]!;
  const words = () => Array.from({ length: 1 + Math.floor(next() * 4) }, () => one(INLINE)).join('');
  const block = (depth: number): string =>
    one([
      () => `<p${one(['', ' class=lead', '  id="one" '])}>${words()}${one(['</p>', ''])}`,
      () => `<h${2 + Math.floor(next() * 3)}>${words()}</h2>`,
      () => `<ul>${one(GAPS.slice(0, 4))}<li>${words()}<li>${words()}${depth < 2 ? `<ol type=a><li>${words()}</ol>` : ''}</ul>`,
      () => `<table><caption>${words()}</caption><tr><th scope=col>${words()}<td>${words()}</table>`,
      () => `<blockquote><p>${words()}</p></blockquote>`,
      () => `<dl><dt>${words()}<dd>${words()}</dl>`,
      () => (depth < 3 ? `<div class="box">${block(depth + 1)}${one(GAPS)}${block(depth + 1)}</div>` : '<figure></figure>'),
      () => `<pre>${words()}</pre>`,
    ])();
  return Array.from({ length: 2 + Math.floor(next() * 6) }, () => block(0) + one(GAPS)).join('');
}

/** A page taken apart; null where its markup is too tangled, which the editor says and leaves alone. */
function opened(html: string) {
  const blocks = textBlocks(parsePage(html, { scope: 'fragment' }));
  return blocks && { blocks, parts: partsOf(html, blocks), pieces: readPieces(schema, html, blocks) };
}

const copy = (pieces: readonly Piece[]) => JSON.parse(JSON.stringify(pieces)) as Piece[];
const pages = Array.from({ length: 600 }, (_, i) => anyPage(seeded(i + 1)));
const open = pages.flatMap((html) => {
  const found = opened(html);
  return found ? [{ html, ...found }] : [];
});

test('enough of the pages can be taken apart, and blocks of every kind are understood and not', () => {
  expect(open.length).toBeGreaterThan(pages.length / 3);
  const kinds = new Set(open.flatMap(({ pieces }) => pieces.map((piece) => piece.type)));
  expect([...kinds].sort()).toEqual(['blockquote', 'bulletList', 'heading', 'opaque', 'paragraph', 'table']);
});

test('untouched, every page is written byte for byte', () => {
  for (const { html, parts, pieces } of open) expect(writeText(parts, pieces, copy(pieces))).toBe(html);
});

test('a word put into any paragraph is there, and every other byte is as it was', () => {
  for (const { parts, pieces } of open) {
    for (const [i, piece] of pieces.entries()) {
      if (piece.type !== 'paragraph') continue;
      const after = writeText(
        parts,
        pieces,
        copy(pieces).map((one, at) => (at === i ? { ...one, content: [...(one.content ?? []), { type: 'text', text: 'added' }] } : one)),
      );
      const before = parts.gaps
        .slice(0, i + 1)
        .map((gap, at) => gap + (at < i ? parts.blocks[at]! : ''))
        .join('');
      const behind = parts.gaps
        .slice(i + 1)
        .map((gap, at) => gap + (parts.blocks[i + 1 + at] ?? ''))
        .join('');
      expect([
        after.startsWith(before),
        after.endsWith(behind),
        after.slice(before.length, after.length - behind.length).includes('added'),
      ]).toEqual([true, true, true]);
    }
  }
});

test('what is written of any block shows the words it showed, and is read as it was written', () => {
  const wordsOf = (html: string) => new DOMParser().parseFromString(html, 'text/html').body.textContent.replace(/\s+/g, '');
  for (const { parts, pieces } of open) {
    for (const [i, piece] of pieces.entries()) {
      if (piece.type === 'opaque') continue;
      const anew = { ...piece, attrs: { ...piece.attrs, origin: null } };
      const written = writeText({ blocks: [], gaps: [''] }, [], [anew]);
      if (wordsOf(parts.blocks[i]!) === '' && !/<img|<t[dh]/.test(parts.blocks[i]!)) continue;
      expect(wordsOf(written)).toBe(wordsOf(parts.blocks[i]!));
      const again = opened(written)!;
      expect(again.pieces.map((one) => ({ ...one, attrs: { ...one.attrs, origin: null } }))).toEqual([anew]);
    }
  }
});

test('blocks in any order, some of them gone: each that is left stands there once', () => {
  const next = seeded(99);
  for (const { parts, pieces } of open) {
    const left = copy(pieces)
      .filter(() => next() > 0.3)
      .sort(() => next() - 0.5);
    const after = writeText(parts, pieces, left);
    for (const piece of left) expect(after).toContain(parts.blocks[piece.attrs!.origin as number]!);
    const tags = parts.gaps.join('').replace(/\s/g, '');
    expect(after.replace(/\s/g, '').length).toBe(
      tags.length + left.reduce((sum, piece) => sum + parts.blocks[piece.attrs!.origin as number]!.replace(/\s/g, '').length, 0),
    );
  }
});
