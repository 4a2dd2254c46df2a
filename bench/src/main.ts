/** `npm run bench`: the engine's speed as ratios measured in one run on one machine; fails when a bound is broken. */
import { JSDOM } from 'jsdom';
import { parse } from 'parse5';
import { auditPage, parsePage } from '@inkwell/core';
import { generatedPage, HOSTILE, plainPage, realPages } from './pages.ts';

interface Row {
  what: string;
  value: number;
  bound: number;
}

const rows: Row[] = [];
const KB = 1024;
/** Milliseconds of running before anything is measured. */
const WARM = 2_500;

/** Median run in milliseconds, once the code has been compiled by the machine. */
function time(work: () => unknown, runs: number): number {
  for (const until = performance.now() + WARM; ; ) {
    work();
    if (performance.now() > until) break;
  }
  const times = Array.from({ length: runs }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });
  return times.sort((a, b) => a - b)[runs >> 1]!;
}

const audit = (html: string) => auditPage(parsePage(html)).findings.length;

function runsFor(bytes: number): number {
  return bytes < 20 * KB ? 60 : bytes < 200 * KB ? 20 : bytes < 2_000 * KB ? 7 : 3;
}

function againstParsing(): void {
  const sizes = [5 * KB, 50 * KB, 500 * KB, 5_000 * KB];
  const pages: [string, string][] = [...sizes.map((bytes): [string, string] => [`${bytes / KB} KB`, generatedPage(bytes)]), ...realPages()];
  let before: { bytes: number; ms: number } | null = null;
  for (const [name, html] of pages) {
    const runs = runsFor(html.length);
    const alone = time(() => parse(html, { sourceCodeLocationInfo: true }), runs);
    const whole = time(() => audit(html), runs);
    rows.push({ what: `audit ÷ parse5 alone, ${name}`, value: whole / alone, bound: 3 });
    if (before && name.endsWith('KB') && Math.abs(html.length / before.bytes - 10) < 2) rows.push({ what: `growth to ${name}, per 10×`, value: whole / before.ms / (html.length / before.bytes / 10), bound: 11 });
    before = name.endsWith('KB') ? { bytes: html.length, ms: whole } : before;
  }
}

/** What an engineer would reach for instead: a DOM, a query, and the computed style of each text's element. */
function againstDom(): void {
  const html = generatedPage(50 * KB);
  const everyday = time(() => {
    const { window } = new JSDOM(html);
    let count = window.document.querySelectorAll('img:not([alt]), a[href=""], h1, h2, h3, table, input').length;
    const walker = window.document.createTreeWalker(window.document.body, 4);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) if (node.nodeValue!.trim() && window.getComputedStyle(node.parentElement!).color) count++;
    window.close();
    return count;
  }, 3);
  rows.push({ what: 'audit ÷ the everyday way with jsdom, 50 KB', value: time(() => audit(html), 20) / everyday, bound: 1 / 20 });
}

function hostile(): void {
  for (const [name, make] of HOSTILE) {
    const html = make();
    const plain = plainPage(html.length);
    rows.push({ what: `${name} ÷ the same bytes of plain page`, value: time(() => audit(html), 3) / time(() => audit(plain), 3), bound: 2 });
  }
}

againstParsing();
againstDom();
hostile();
for (const { what, value, bound } of rows) console.log(`${value <= bound ? 'ok    ' : 'FAILED'} ${value.toFixed(3).padStart(8)}  bound ${bound.toFixed(2).padStart(5)}  ${what}`);
process.exitCode = rows.every((row) => row.value <= row.bound) ? 0 : 1;
