/**
 * `npm run check:fixes`: certain fixes over real pages. What Chromium shows (text, links, sources, form fields) has to stay; no failure
 * that must or should be fixed may come; no certain finding may be left; fixing twice has to equal fixing once; no error of markup may
 * come.
 */
import { writeFileSync } from 'node:fs';
import type { Page as Tab } from '@playwright/test';
import { parse } from 'parse5';
import {
  auditPage,
  DEFAULT_PROFILE,
  fixCertain,
  isCertain,
  parseAgain,
  REMEDIES,
  selectFindings,
  sentenceOf,
  withActingRemedies,
  type Finding,
  type Page,
} from '@inkwell/core';
import { openBrowser, show } from './browser.ts';
import { corpusPages } from './corpus.ts';
import { openFile } from './pages.ts';

const CORPUS = process.env.INKWELL_CORPUS ?? '.corpus';
const EACH = Number(process.env.INKWELL_CHECK_PAGES ?? 8);

const wrong: string[] = [];
const tally = { pages: 0, changed: 0, safe: 0, fixed: 0, left: 0 };
const applied = new Map<string, number>();
const declined = new Map<string, number>();
const count = (counts: Map<string, number>, key: string) => void counts.set(key, (counts.get(key) ?? 0) + 1);

const failuresOf = (page: Page) =>
  selectFindings(auditPage(page).findings, DEFAULT_PROFILE).filter((finding) => finding.outcome === 'failed');

/** Failures that must or should be fixed, by rule; one that stands at several places counts for each. */
function countsOf(findings: readonly Finding[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { rule, weight, places } of findings)
    if (weight !== 'consider') counts.set(rule, (counts.get(rule) ?? 0) + (places?.length ?? 1));
  return counts;
}

const remedyOf = (finding: Finding) => finding.remedies.find((name) => isCertain(REMEDIES[name], finding.rule)) ?? '';

function errorsIn(source: string): number {
  let errors = 0;
  parse(source, { onParseError: () => void errors++ });
  return errors;
}

interface Seen {
  text: string;
  links: string[];
  sources: string[];
  fields: string[];
}

function seen(tab: Tab): Promise<Seen> {
  return tab.evaluate(() => ({
    text: document.body?.innerText ?? '',
    links: [...document.querySelectorAll<HTMLAnchorElement>('a[href],area[href]')]
      .filter((link) => link.localName === 'area' || link.innerText?.trim() || link.querySelector('img'))
      .map((link) => link.getAttribute('href')!),
    sources: [...document.querySelectorAll('[src],object[data]')].map((one) => one.getAttribute('src') ?? one.getAttribute('data') ?? ''),
    fields: [...document.querySelectorAll('input,select,textarea,button')].map(
      (field) =>
        `${field.localName} ${field.getAttribute('type') ?? ''} ${field.getAttribute('name') ?? ''} ${field.getAttribute('value') ?? ''}`,
    ),
  }));
}

/** A marker that a real list draws is no text: at the beginning of a line it is left out on both sides. */
const MARKER = /^\s*(?:[-–—•*·◦▪●○■□o§]|\(?(?:\d{1,3}|[a-z]|[ivx]+)[.)])\s+/i;

function words(text: string): string {
  return text
    .split('\n')
    .map((line) => line.replace(MARKER, '').replace(MARKER, ''))
    .join('')
    .replace(/[\s\u00a0]+/g, '');
}

/** Two neighbouring links to one place become one. */
const withoutRepeats = (links: readonly string[]) => links.filter((link, i) => link !== links[i - 1]);

/** Where an anchor was renamed its links follow: they are compared by the place they lead to. */
function unlike(before: Seen, after: Seen, renamed: boolean): string | null {
  if (words(before.text) !== words(after.text)) return `text: ${firstDifference(words(before.text), words(after.text))}`;
  const plain = (links: readonly string[]) => withoutRepeats(links.map((link) => (renamed ? link.replace(/#.*/, '#') : link))).join('\n');
  if (plain(before.links) !== plain(after.links)) return `links: ${firstDifference(plain(before.links), plain(after.links))}`;
  if (before.sources.join('\n') !== after.sources.join('\n')) return 'sources';
  return before.fields.join('\n') !== after.fields.join('\n') ? 'fields' : null;
}

function firstDifference(one: string, other: string): string {
  let at = 0;
  while (at < one.length && one[at] === other[at]) at++;
  return `“${one.slice(Math.max(0, at - 30), at + 40)}” became “${other.slice(Math.max(0, at - 30), at + 40)}”`;
}

/** What is wrong with a set of certain fixes by the engine's own account. */
function troublesOf(page: Page, after: Page, failures: readonly Finding[]): string[] {
  const left = failuresOf(after);
  const [before, now] = [countsOf(failures), countsOf(left)];
  const troubles: string[] = [];
  for (const [rule, many] of now) if (many > (before.get(rule) ?? 0)) troubles.push(`new ${rule}: ${before.get(rule) ?? 0} became ${many}`);
  for (const finding of withActingRemedies(after, left)) {
    if (!remedyOf(finding)) continue;
    tally.left++;
    troubles.push(`left ${finding.rule} line ${finding.at.line}: ${sentenceOf(finding)}`);
  }
  if (fixCertain(after).after !== after.source) troubles.push('twice is not once');
  if (page.xml !== after.xml) troubles.push('no longer well formed');
  const [was, is] = [errorsIn(page.source), errorsIn(after.source)];
  if (is > was) troubles.push(`parse errors: ${was} became ${is}`);
  return troubles;
}

async function main(): Promise<void> {
  const { context, close } = await openBrowser();
  const tab = await context.newPage();
  for (const { package: name, file } of corpusPages(CORPUS, EACH)) {
    const page = openFile(file);
    if (page === null) continue;
    if (++tally.pages % 50 === 0) console.error(`${tally.pages} pages, ${wrong.length} of them not safe`);
    const failures = failuresOf(page);
    const result = fixCertain(page);
    tally.fixed += result.fixed.length;
    for (const finding of result.fixed) count(applied, `${finding.rule} (${remedyOf(finding)})`);
    for (const { finding, reason } of result.declined) count(declined, `${finding.rule} (${remedyOf(finding)}): ${reason}`);
    if (result.after === page.source) {
      tally.safe++;
      continue;
    }
    tally.changed++;
    const after = parseAgain(page, result.after);
    const troubles = troublesOf(page, after, failures);
    await show(tab, file);
    const before = await seen(tab);
    await show(tab, file, result.after);
    const difference = unlike(
      before,
      await seen(tab),
      result.fixed.some((finding) => finding.rule === 'links/anchor-name'),
    );
    if (difference) troubles.push(difference);
    if (troubles.length === 0) tally.safe++;
    else wrong.push(`${name} ${file}\n${troubles.map((trouble) => `    ${trouble}`).join('\n')}`);
  }
  await close();
  print();
}

function print(): void {
  for (const [title, counts] of [
    ['applied', applied],
    ['declined', declined],
  ] as const)
    for (const [key, many] of [...counts].sort((a, b) => b[1] - a[1]))
      console.log(`${title.padEnd(9)} ${String(many).padStart(6)}  ${key}`);
  console.log(`${tally.pages} pages, ${tally.changed} changed, ${tally.fixed} findings fixed, ${tally.left} certain findings left`);
  console.log(`${wrong.length === 0 ? 'ok    ' : 'FAILED'} ${tally.safe} of ${tally.pages} pages safe (bound: all)`);
  for (const one of wrong.slice(0, 40)) console.log(one);
  if (process.env.INKWELL_CHECK_OUT) writeFileSync(process.env.INKWELL_CHECK_OUT, wrong.join('\n'));
  process.exitCode = wrong.length === 0 && tally.pages >= 400 ? 0 : 1;
}

await main();
