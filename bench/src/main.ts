/** `npm run bench`: the engine's speed as ratios measured in one run on one machine; fails when a bound is broken. */
import { JSDOM } from 'jsdom';
import { parse } from 'parse5';
import { auditPage, parsePage } from '@inkwell/core';
import { commandSeconds } from './command.ts';
import { peakMegabytes } from './memory.ts';
import { generatedPage, HOSTILE, plainPage, realPages } from './pages.ts';

interface Row {
  what: string;
  value: number;
  bound: number;
}

const rows: Row[] = [];
const KB = 1024;
/** Milliseconds of running before anything is measured: the machine compiles some thousand functions of rules first. */
const WARM = 6_000;
/** A work shorter than this is run several times at once: the system counts processor time coarsely. */
const SHORTEST = 20;

/**
 * Processor time of some works in milliseconds, the median of some runs, once their code has been compiled by the machine: they take
 * turns, so that a machine that slows down or speeds up does so for all of them.
 */
function times(works: readonly (() => unknown)[], runs: number): number[] {
  const repeats = works.map((work) => {
    for (const until = performance.now() + WARM; performance.now() < until;) work();
    return Math.max(1, Math.ceil(SHORTEST / timeOf(work, 1)));
  });
  const taken: number[][] = works.map(() => []);
  for (let run = 0; run < runs; run++) works.forEach((work, i) => taken[i]!.push(timeOf(work, repeats[i]!)));
  return taken.map((each) => each.sort((a, b) => a - b)[runs >> 1]!);
}

function timeOf(work: () => unknown, repeats: number): number {
  const from = process.cpuUsage();
  for (let i = 0; i < repeats; i++) work();
  const { user, system } = process.cpuUsage(from);
  return (user + system) / 1000 / repeats;
}

const audit = (html: string) => auditPage(parsePage(html)).findings.length;

function runsFor(bytes: number): number {
  return bytes < 200 * KB ? 15 : bytes < 2_000 * KB ? 7 : 3;
}

function againstParsing(): void {
  const sizes = [5 * KB, 50 * KB, 500 * KB, 5_000 * KB];
  const pages: [string, string][] = [...sizes.map((bytes): [string, string] => [`${bytes / KB} KB`, generatedPage(bytes)]), ...realPages()];
  for (const [name, html] of pages) {
    const runs = runsFor(html.length);
    const [alone, whole] = times([() => parse(html, { sourceCodeLocationInfo: true }), () => audit(html)], runs) as [number, number];
    rows.push({ what: `audit ÷ parse5 alone, ${name}`, value: whole / alone, bound: html.length < 20 * KB ? 3 : 2 });
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

/** Beside what an ordinary page of the same bytes takes, with every construct, and beside bare paragraphs, which are read at a stride. */
const BESIDE_ORDINARY = 2;
const BESIDE_BARE = 6;

/** Parsing these alone takes longer than twice an ordinary page's whole audit: they are held to the bounds as a process only. */
const SLOW_TO_PARSE = /bold and italic/;

function tell(what: string, [ours, ordinary, bare]: readonly [number, number, number]): void {
  rows.push({ what: `${what} ÷ an ordinary page`, value: ours / ordinary, bound: BESIDE_ORDINARY });
  rows.push({ what: `${what} ÷ bare paragraphs`, value: ours / bare, bound: BESIDE_BARE });
}

function hostile(): void {
  for (const [name, make] of HOSTILE) {
    const html = make();
    const [ordinary, bare] = [generatedPage(html.length), plainPage(html.length)];
    if (!SLOW_TO_PARSE.test(name))
      tell(name, times([() => audit(html), () => audit(ordinary), () => audit(bare)], 3) as [number, number, number]);
    const whole = [html, ordinary, bare].map((page) => commandSeconds(page, 3)) as [number, number, number];
    tell(`${name}, bin/inkwell as a process`, whole);
  }
}

// The first row is not to pay for compiling the engine.
for (const until = performance.now() + 2 * WARM; performance.now() < until;) audit(generatedPage(5 * KB));
againstParsing();
growth();
againstDom();
hostile();
rows.push({ what: 'bin/inkwell audit of 3,000 pages of 10 KB, peak MB', value: await peakMegabytes(3_000, 10 * KB), bound: 400 });
for (const { what, value, bound } of rows)
  console.log(`${value <= bound ? 'ok    ' : 'FAILED'} ${value.toFixed(3).padStart(8)}  bound ${bound.toFixed(2).padStart(5)}  ${what}`);
process.exitCode = rows.every((row) => row.value <= row.bound) ? 0 : 1;
