import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { parsePage } from '../document/page.ts';
import { RULES } from '../rules/registry.ts';
import type { RuleCase } from '../rules/types.ts';
import type { Finding } from './findings.ts';
import { PROFILES, selectFindings } from './profile.ts';
import { auditPage } from './run.ts';

const demo = join(__dirname, '../../../../demo/pages');
const PAGES = readdirSync(demo, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.html'))
  .sort()
  .map((file) => readFileSync(join(demo, file), 'utf8'));
const audit = (html: string) => selectFindings(auditPage(parsePage(html)).findings, PROFILES['wcag22-aaa']!);

interface Planted {
  rule: string;
  shows: string;
  page: string;
  at: number;
  html: string;
}

/** What a case needs around it: the whole page, its head, or the files beside it. Such cannot be planted in another page's body. */
const WHOLE_PAGE = /<(?:!doctype|html|head|body|title|meta|base|link|style|frameset|main|header|footer|nav)\b/i;
/** Told once for a page, or only at its end: whether a planted one is told depends on the page around it. */
const ONCE_FOR_A_PAGE = new Set([
  'headings/first-level',
  'headings/several-h1',
  'text/hard-to-read',
  'text/forced-size',
  'text/pasted-markup',
  'headings/last-empty',
  'text/too-many-colours',
  'document/passage-language',
  'tables/layout',
  'text/looks-not-meaning',
  'lists/single',
  'lists/indent-by-quote',
  'headings/none-in-long-text',
]);

function plantable(): { rule: string; one: RuleCase }[] {
  return RULES.filter((rule) => !ONCE_FOR_A_PAGE.has(rule.id)).flatMap((rule) => {
    // eslint-disable-next-line @typescript-eslint/no-require-imports -- the folder name is known only here
    const { cases } = require(`../rules/${rule.id}/cases.ts`) as { cases: RuleCase[] };
    return cases.filter((one) => one.at && !one.surroundings && !WHOLE_PAGE.test(one.html)).map((one) => ({ rule: rule.id, one }));
  });
}

/**
 * Offsets between paragraphs at the top of the content, with no finding at either hand: what stands there touches its neighbours as little
 * as anything can.
 */
function gaps(html: string): number[] {
  const page = parsePage(html);
  const told = audit(html).filter((finding) => finding.at.end - finding.at.start < html.length / 3);
  const plain = page.elements.filter(
    (element) =>
      element.tag === 'p' && element.range && element.parent?.kind === 'element' && ['body', 'main'].includes(element.parent.tag),
  );
  return plain
    .map((paragraph) => paragraph.range!.end)
    .filter((at) => !told.some((finding) => at >= finding.at.start - 4 && at <= finding.at.end + 4));
}

const key = (finding: Finding, shift: (offset: number) => number) => `${finding.rule} ${shift(finding.at.start)}`;

const startsOf = (finding: Finding) => (finding.places ?? [finding.at]).map((place) => place.start);

/** Findings of the planted stretch, and those elsewhere that the page did not have before. */
function outcome({ rule, page, at, html }: Planted): { found: boolean; elsewhere: string[] } {
  const alone = audit(html)
    .filter((finding) => finding.rule === rule)
    .map((finding) => finding.at.start + at);
  const before = new Set(audit(page).map((finding) => key(finding, (offset) => offset)));
  const after = audit(page.slice(0, at) + html + page.slice(at));
  const inside = after.filter((finding) => finding.at.start >= at && finding.at.start < at + html.length);
  const outside = after.filter((finding) => !inside.includes(finding));
  return {
    // One slip that stands at several places is one finding, which tells them all.
    found: alone.every((start) => after.some((finding) => finding.rule === rule && startsOf(finding).includes(start))),
    elsewhere: outside
      .map((finding) => key(finding, (offset) => (offset < at ? offset : offset - html.length)))
      .filter((one) => !before.has(one)),
  };
}

const FIELDS = PAGES.map((page) => ({ page, places: gaps(page) })).filter(({ places }) => places.length > 0);

const plantings: Planted[] = plantable().map(({ rule, one }, i) => {
  const { page, places } = FIELDS[i % FIELDS.length]!;
  return { rule, shows: one.shows, page, at: places[(i * 7) % places.length]!, html: one.html };
});

test('nearly every rule has a slip that can be planted', () => {
  expect(new Set(plantings.map((one) => one.rule)).size).toBeGreaterThan(100);
});

test('every planted slip is found on its element, and none brings a note elsewhere', () => {
  const missed: string[] = [];
  const strays: string[] = [];
  for (const planted of plantings) {
    const { found, elsewhere } = outcome(planted);
    if (!found) missed.push(`${planted.rule}: ${planted.shows}`);
    if (elsewhere.length > 0) strays.push(`${planted.rule}: ${planted.shows}: ${elsewhere.join(', ')}`);
  }
  expect(plantings.length).toBeGreaterThan(200);
  expect(strays).toEqual([]);
  expect(missed).toEqual([]);
});
