import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { RULES } from '../rules/registry.ts';
import type { RuleCase } from '../rules/types.ts';
import { parsePage } from '../document/page.ts';
import { auditPage } from './run.ts';

/** Seeded numbers from 0 up to 1. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}

const demo = join(__dirname, '../../../../demo/pages');
const sources = [
  ...readdirSync(demo, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.html'))
    .map((file) => readFileSync(join(demo, file), 'utf8')),
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- the folder name is known only here
  ...RULES.flatMap((rule) => (require(`../rules/${rule.id}/cases.ts`) as { cases: RuleCase[] }).cases.map((one) => one.html)),
];

const PIECES = [
  '<',
  '>',
  '"',
  '</p>',
  '<table>',
  '<li>',
  '<svg>',
  '</',
  '<!--',
  '&nbsp;',
  '&#x0;',
  '<a href=',
  'style="',
  '<ul>',
  '</table>',
  '<p>',
  '<select>',
  '<template>',
  '\u0000',
  '\ud800',
  '<math>',
  '<td colspan=0>',
  '<h2>',
  'aria-labelledby="x"',
  '<style>p{',
  '}</style>',
  '<label for=x>',
];

/** A page with a few stretches cut out, doubled, moved or broken. */
function mangled(html: string, next: () => number): string {
  let text = html;
  for (let i = 0; i < 4; i++) {
    const at = Math.floor(next() * text.length);
    const length = Math.floor(next() * 40);
    const piece = PIECES[Math.floor(next() * PIECES.length)]!;
    const kind = next();
    text =
      kind < 0.3
        ? text.slice(0, at) + text.slice(at + length)
        : kind < 0.5
          ? text.slice(0, at) + text.slice(at, at + length) + text.slice(at)
          : text.slice(0, at) + piece + text.slice(at);
  }
  return text;
}

/** How many are tried: a run of their own (INKWELL_FUZZ=20000) tries as many as the engine has to stand. */
const MANY = Number(process.env.INKWELL_FUZZ ?? 2_500);
/** Milliseconds one of these small pages may take. */
const LONGEST = 1_500;

test(`${MANY} mangled pages: never a throw, never over the time bound, places always inside the source`, () => {
  const next = seeded(23);
  for (let i = 0; i < MANY; i++) {
    const html = mangled(sources[i % sources.length]!, next);
    const from = performance.now();
    const { findings, troubles } = auditPage(parsePage(html));
    const took = performance.now() - from;
    if (took > LONGEST) throw new Error(`${Math.round(took)} ms for ${JSON.stringify(html.slice(0, 300))}`);
    for (const { rule, problem } of troubles) throw new Error(`${rule} failed (${problem}) on ${JSON.stringify(html.slice(0, 300))}`);
    for (const { at, rule } of findings)
      if (!(at.start >= 0 && at.start <= at.end && at.end <= html.length))
        throw new Error(`${rule} at ${at.start}–${at.end} of ${html.length}`);
  }
}, 240_000);

test.each([
  ['words of one letter', 'a '],
  ['one word', 'a'],
])('a page of 12 MB that is one run of %s exhausts no stack', (_what, piece) => {
  const run = piece.repeat(12_000_000 / piece.length);
  expect(() => auditPage(parsePage(`<h2>${run}x</h2><p>x</p>`))).not.toThrow();
  expect(parsePage(`<p title="${run}">${run}</p>`).texts).toHaveLength(1);
});
