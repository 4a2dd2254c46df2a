import { readFileSync } from 'node:fs';

/**
 * Times the check at the moment of saving against a running server: a page of 20 KB alone and fifty at once, and one of 500 KB.
 *
 *   INKWELL_BASE         where the server is (default http://127.0.0.1:4310)
 *   INKWELL_TOKEN_FILE   a file that holds a token with the reach check (bin/token makes one)
 */
const BASE = process.env.INKWELL_BASE ?? 'http://127.0.0.1:4310';
const token = readFileSync(process.env.INKWELL_TOKEN_FILE ?? '', 'utf8').trim();

/** What the bounds are, in ms. */
const BOUNDS = { 'a page of 20 KB alone, p95': 120, 'fifty at once, p95': 2_500, 'a page of 500 KB, p95': 1_500 };

const PART = (nth: number) =>
  `<h2>Part ${nth}</h2><p>Some words of a lesson that go on for a while, with <a href="x.html">a link</a> and <b>bold</b>.</p>` +
  '<p><img src="hive.png"></p><ul><li>One</li><li>Two</li></ul><table><tr><td>a</td><td>b</td></tr></table>';

function pageOf(kilobytes: number): string {
  let html = '';
  for (let nth = 1; html.length < kilobytes * 1_000; nth++) html += PART(nth);
  return html;
}

async function timed(html: string): Promise<number> {
  const from = performance.now();
  const headers = { authorization: `Bearer ${token}`, 'content-type': 'application/json' };
  const answer = await fetch(`${BASE}/api/v1/checks`, { method: 'POST', headers, body: JSON.stringify({ html }) });
  await answer.text();
  if (!answer.ok) throw new Error(`A check was answered with ${answer.status}.`);
  return performance.now() - from;
}

const p95 = (times: readonly number[]) => [...times].sort((a, b) => a - b)[Math.floor(times.length * 0.95)]!;

async function main(): Promise<void> {
  const [small, large] = [pageOf(20), pageOf(500)];
  for (let nth = 0; nth < 5; nth++) await timed(small);
  const alone: number[] = [];
  for (let nth = 0; nth < 60; nth++) alone.push(await timed(small));
  const together: number[] = [];
  for (let nth = 0; nth < 3; nth++) together.push(p95(await Promise.all(Array.from({ length: 50 }, () => timed(small)))));
  const big: number[] = [];
  for (let nth = 0; nth < 10; nth++) big.push(await timed(large));
  const found = [p95(alone), Math.max(...together), p95(big)];
  Object.entries(BOUNDS).forEach(([name, bound], nth) => {
    const ms = Math.round(found[nth]!);
    console.log(`${ms <= bound ? 'ok    ' : 'SLOWER'}  ${name}: ${ms} ms (bound ${bound})`);
    if (ms > bound) process.exitCode = 1;
  });
}

await main();
