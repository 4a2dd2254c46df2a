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
const WARM = 3_000;

/**
 * Median runs in milliseconds of some works, once their code has been compiled by the machine: they take turns, so that a machine
 * that slows down or speeds up does so for all of them.
 */
function times(works: readonly (() => unknown)[], runs: number): number[] {
  for (const work of works) for (const until = performance.now() + WARM; performance.now() < until;) work();
  const taken: number[][] = works.map(() => []);
  for (let run = 0; run < runs; run++) works.forEach((work, i) => taken[i]!.push(timeOf(work)));
  return taken.map((each) => each.sort((a, b) => a - b)[runs >> 1]!);
}

function timeOf(work: () => unknown): number {
  const from = performance.now();
  work();
  return performance.now() - from;
}

const audit = (html: string) => auditPage(parsePage(html)).findings.length;

function runsFor(bytes: number): number {
  return bytes < 20 * KB ? 60 : bytes < 200 * KB ? 20 : bytes < 2_000 * KB ? 7 : 3;
}

function againstParsing(): void {
  const sizes = [5 * KB, 50 * KB, 500 * KB, 5_000 * KB];
  const pages: [string, string][] = [...sizes.map((bytes): [string, string] => [`${bytes / KB} KB`, generatedPage(bytes)]), ...realPages()];
  for (const [name, html] of pages) {
    const runs = runsFor(html.length);
    const [alone, whole] = times([() => parse(html, { sourceCodeLocationInfo: true }), () => audit(html)], runs) as [number, number];
    rows.push({ what: `audit ÷ parse5 alone, ${name}`, value: whole / alone, bound: 3 });
  }
}

function growth(): void {
  for (const [small, large] of [
    [5 * KB, 50 * KB],
    [50 * KB, 500 * KB],
    [500 * KB, 5_000 * KB],
  ] as const) {
    const [few, many] = [generatedPage(small), generatedPage(large)];
    const [before, after] = times([() => audit(few), () => audit(many)], runsFor(large)) as [number, number];
    rows.push({
      what: `growth from ${small / KB} to ${large / KB} KB, per 10×`,
      value: after / before / (many.length / few.length / 10),
      bound: 11,
    });
  }
}

/** What an engineer would reach for instead: a DOM, a query, and the computed style of each text's element. */
function againstDom(): void {
  const html = generatedPage(50 * KB);
  const everyday = () => {
    const { window } = new JSDOM(html);
    let count = window.document.querySelectorAll('img:not([alt]), a[href=""], h1, h2, h3, table, input').length;
    const walker = window.document.createTreeWalker(window.document.body, 4);
    for (let node = walker.nextNode(); node; node = walker.nextNode())
      if (node.nodeValue!.trim() && window.getComputedStyle(node.parentElement!).color) count++;
    window.close();
    return count;
  };
  const [ours, theirs] = times([() => audit(html), everyday], 5) as [number, number];
  rows.push({ what: 'audit ÷ the everyday way with jsdom, 50 KB', value: ours / theirs, bound: 1 / 20 });
}

/**
 * Against an ordinary page of the same size, with every construct. Bare paragraphs are read at a stride and are no measure for
 * pages made of tags; what they give is told beside, without a bound.
 */
function hostile(): void {
  for (const [name, make] of HOSTILE) {
    const html = make();
    const [ordinary, bare] = [generatedPage(html.length), plainPage(html.length)];
    const [ours, theirs, least] = times([() => audit(html), () => audit(ordinary), () => audit(bare)], 5) as [number, number, number];
    rows.push({
      what: `${name} ÷ the same bytes of an ordinary page (of bare paragraphs: ${(ours / least).toFixed(1)})`,
      value: ours / theirs,
      bound: 2,
    });
  }
}

// The first row is not to pay for compiling the engine.
for (const until = performance.now() + 2 * WARM; performance.now() < until;) audit(generatedPage(5 * KB));
againstParsing();
growth();
againstDom();
hostile();
for (const { what, value, bound } of rows)
  console.log(`${value <= bound ? 'ok    ' : 'FAILED'} ${value.toFixed(3).padStart(8)}  bound ${bound.toFixed(2).padStart(5)}  ${what}`);
process.exitCode = rows.every((row) => row.value <= row.bound) ? 0 : 1;
