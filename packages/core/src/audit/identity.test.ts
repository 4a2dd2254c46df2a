import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { parsePage, type Surroundings } from '../document/page.ts';
import { RULES } from '../rules/registry.ts';
import type { RuleCase } from '../rules/types.ts';
import { changeBetween } from '../source/edits.ts';
import { compareAudits } from './compare.ts';
import { PROFILES, selectFindings } from './profile.ts';
import { auditPage } from './run.ts';

const demo = join(__dirname, '../../../../demo/pages');
const pages = readdirSync(demo, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.html')).map((file) => readFileSync(join(demo, file), 'utf8'));
const findings = (html: string, surroundings: Surroundings = {}) => selectFindings(auditPage(parsePage(html, { surroundings })).findings, PROFILES['wcag22-aaa']!);

/** Offsets right before a block of the body: text put there touches no finding. */
function seams(html: string): number[] {
  const page = parsePage(html);
  const blocks = page.elements.filter((element) => element.range && ['p', 'h2', 'h3', 'table', 'ul', 'div'].includes(element.tag) && element.parent?.kind === 'element' && ['body', 'main'].includes(element.parent.tag));
  // Between neighbours that a finding holds together (a typed list, a line and what it heads) a new paragraph is no unrelated edit.
  const held = findings(html).filter((finding) => ['lists/typed', 'lists/stray-item', 'lists/broken-run', 'lists/foreign-child', 'headings/imitated', 'headings/last-empty', 'headings/for-looks', 'tables/caption-inside', 'text/spacer-blocks'].includes(finding.rule));
  return blocks.map((block) => block.range!.start).filter((at) => !held.some((finding) => at >= finding.at.start && at <= finding.at.end + 2));
}

type Edit = (html: string, at: number) => string;
const UNRELATED: readonly Edit[] = [
  (html, at) => `${html.slice(0, at)}<p>The towpath is closed on Tuesday for mowing.</p>\n${html.slice(at)}`,
  (html, at) => `${html.slice(0, at)}<!-- checked by Odile -->${html.slice(at)}`,
  (html, at) => `${html.slice(0, at)}\n\n    ${html.slice(at)}`,
  (html, at) => `${html.slice(0, at)}<ul><li>Mallards</li><li>Moorhens</li></ul>${html.slice(at)}`,
  (html) => html.replaceAll('\n', '\r\n  '),
];

test('fingerprints survive unrelated edits: at least 99.5 in 100', () => {
  let [kept, all] = [0, 0];
  const edits = fc.tuple(fc.constantFrom(...pages), fc.constantFrom(...UNRELATED), fc.nat(1_000));
  fc.assert(fc.property(edits, ([html, edit, where]) => {
    const places = seams(html);
    const after = new Set(findings(edit(html, places[where % places.length]!)).map((finding) => finding.fingerprint));
    const before = findings(html);
    all += before.length;
    kept += before.filter((finding) => after.has(finding.fingerprint)).length;
  }), { seed: 5, numRuns: 300 });
  expect(all).toBeGreaterThan(1_000);
  expect(kept / all).toBeGreaterThanOrEqual(0.995);
});

test('after an unrelated edit nothing is called fixed or new', () => {
  fc.assert(fc.property(fc.constantFrom(...pages), fc.constantFrom(...UNRELATED), fc.nat(1_000), (html, edit, where) => {
    const places = seams(html);
    const later = edit(html, places[where % places.length]!);
    const compared = compareAudits(findings(html), findings(later), changeBetween(html, later));
    expect([compared.fixed, compared.new]).toEqual([[], []]);
  }), { seed: 6, numRuns: 200 });
});

const CLEAN = {
  fragment: '<h2>Moorings</h2>\n<p>Ten places lie below the lock, five above it.</p>\n<h3>Below the lock</h3>\n<p>They are quiet at night.</p>\n',
  document: '<!doctype html>\n<html lang="en">\n<head><title>Moorings</title></head>\n<body><main><h1>Moorings</h1>\n<p>Ten places lie below the lock.</p></main></body>\n</html>\n',
};

test('the clean pages are clean', () => {
  expect([...findings(CLEAN.fragment), ...findings(CLEAN.document)]).toEqual([]);
});

/** Failing cases of the rules that speak of a piece and not of the whole page, to be planted in a clean one. */
const SLIPS = RULES.filter((rule) => !/^document\/|headings\/(?:first-level|several-h1|leap)|text\/(?:hard-to-read|pasted-markup)/.test(rule.id)).flatMap((rule) =>
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- the folder name is known only here
  (require(`../rules/${rule.id}/cases.ts`) as { cases: RuleCase[] }).cases.filter((one) => one.at && !one.html.startsWith('<html') && !one.at.includes('/html[1]/body[1]')).map((one) => [rule.id, one] as const),
);

test.each(SLIPS.map(([id, one]) => [`${id}: ${one.shows}`, id, one] as const))('planted in a clean page, %s is found once more, and nothing far from it', (_name, id, one) => {
  const planted = `${CLEAN.fragment}<h3>Above the lock</h3>\n<div>${one.html}</div>\n<p>The end.</p>`;
  const start = CLEAN.fragment.length;
  const found = findings(planted, one.surroundings);
  expect(found.filter((finding) => finding.rule === id).length).toBeGreaterThanOrEqual(1);
  expect(found.filter((finding) => finding.at.start < start)).toEqual([]);
  expect(found.filter((finding) => finding.at.start > planted.length - '<p>The end.</p>'.length - 1)).toEqual([]);
});
