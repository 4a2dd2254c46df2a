import { readFileSync, existsSync } from 'node:fs';

/** Seeded numbers from 0 up to 1 (a linear congruential generator, Numerical Recipes). */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

const WORDS =
  'the keeper lock water boat gate canal towpath bees hive honey frame wax queen spring summer winter morning bridge heron walk length depth stone oak rope crew visitor lesson week'.split(
    ' ',
  );

/** A page of about `bytes` with every construct: headings, lists, tables, images, links, inline styles, quotations and fields. */
export function generatedPage(bytes: number, seed = 1): string {
  const next = seeded(seed);
  const text = (many: number) => Array.from({ length: many }, () => WORDS[Math.floor(next() * WORDS.length)]).join(' ');
  const makers: (() => string)[] = [
    () => {
      const level = 2 + Math.floor(next() * 3);
      return `<h${level}>${text(4)}</h${level}>`;
    },
    () => `<p>${text(30)} <a href="p${Math.floor(next() * 90)}.html">${text(3)}</a> ${text(12)} <em>${text(2)}</em>.</p>`,
    () =>
      `<p class="note">${text(20)} <strong>${text(3)}</strong> <span style="color:#${Math.floor(next() * 4096)
        .toString(16)
        .padStart(3, '0')}">${text(2)}</span></p>`,
    () => `<ul>${Array.from({ length: 4 }, () => `<li>${text(5)}</li>`).join('')}</ul>`,
    () => `<p><img src="images/${text(1)}-${Math.floor(next() * 50)}.png" alt="${text(6)}" width="320" height="200"></p>`,
    () =>
      `<table><caption>${text(3)}</caption><tr>${Array.from({ length: 4 }, () => `<th scope="col">${text(1)}</th>`).join('')}</tr>${Array.from({ length: 4 }, () => `<tr>${Array.from({ length: 4 }, () => `<td>${Math.floor(next() * 99)}</td>`).join('')}</tr>`).join('')}</table>`,
    () => `<blockquote><p>${text(18)}.</p></blockquote>`,
    () => `<p><label for="f${Math.floor(next() * 1e6)}">${text(2)}</label> <input id="g${Math.floor(next() * 1e6)}" type="text"></p>`,
  ];
  const parts = [
    `<!doctype html>\n<html lang="en"><head><title>${text(4)}</title><style>${styles()}</style></head><body><main><h1>${text(4)}</h1>\n`,
  ];
  let { length } = parts[0]!;
  while (length < bytes) {
    const part = `${makers[Math.floor(next() * makers.length)]!()}\n`;
    parts.push(part);
    length += part.length;
  }
  return `${parts.join('')}</main></body></html>`;
}

function styles(): string {
  return 'body{font:16px/1.5 serif;color:#222;background:#fff} .note{background:#eef} main a{color:#14507a} table{border-collapse:collapse} td,th{border:1px solid #999} h2{color:#334} ul li{margin:0} p + p{margin-top:.5em} li:nth-child(2){color:#444}';
}

/** A text around the same number of bytes of plain paragraphs: what hostile inputs are measured against. */
export function plainPage(bytes: number): string {
  const paragraph = '<p>The keeper opens the gate at dawn and the boats come in one by one.</p>\n';
  return paragraph.repeat(Math.ceil(bytes / paragraph.length));
}

/** Long real pages, where Debian's documentation packages are installed. */
export function realPages(): [string, string][] {
  const files: [string, string][] = [
    ['python3.11-doc, a long page', '/usr/share/doc/python3.11/html/whatsnew/3.11.html'],
    ['abs-guide, a long page', '/usr/share/doc/abs-guide/html/contributed-scripts.html'],
  ];
  return files.filter(([, file]) => existsSync(file)).map(([name, file]) => [name, readFileSync(file, 'utf8')]);
}

export const HOSTILE: readonly [string, () => string][] = [
  ['100,000 nested tags', () => '<div>'.repeat(100_000)],
  ['1 MB attribute', () => `<p title="${'x'.repeat(1_000_000)}">Text</p>`],
  ['65,534-row spans', () => `<table>${'<tr><td rowspan=65534 colspan=1000>x</td></tr>'.repeat(400)}</table>`],
  ['100,000 siblings', () => '<i>x</i>'.repeat(100_000)],
  [
    '10,000 selectors',
    () =>
      `<style>${Array.from({ length: 10_000 }, (_none, i) => `.a${i} .b${i} > p{color:#${(i % 4096).toString(16).padStart(3, '0')}}`).join('')}</style>${'<div class="a1 b2"><p>Text of a line</p></div>'.repeat(4_000)}`,
  ],
  [
    'long runs of every marker',
    () => ['- ', '1. ', 'a) ', '• ', '&nbsp;', '* ', '“'].map((marker) => `<p>${marker.repeat(8_000)}</p>`).join(''),
  ],
  ['40,000 equal links', () => '<p><a href="x.html">click here</a></p>'.repeat(40_000)],
  ['8,000 × bold and italic, no end', () => `${'<b><i>'.repeat(8_000)}x`],
  ['8,000 × bold and italic with a word', () => `<p>${'<b><i>word '.repeat(8_000)}`],
  ['a list of 8,000 items', () => `<ul>${'<li>item of a list</li>'.repeat(8_000)}</ul>`],
  [
    'an index table of 3,000 rows',
    () => `<table><tr><th>Name</th><th>Page</th></tr>${'<tr><td><a href="a.html#x">entry</a></td><td>12</td></tr>'.repeat(3_000)}</table>`,
  ],
  [
    '6,000 groups of rows with a header',
    () => `<table>${'<tbody><tr><th scope="rowgroup">a</th><td>1</td><td>2</td></tr></tbody>'.repeat(6_000)}</table>`,
  ],
];
