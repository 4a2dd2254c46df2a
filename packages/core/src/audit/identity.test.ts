import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { parsePage, type Surroundings } from '../document/page.ts';
import { RULES } from '../rules/registry.ts';
import type { RuleCase } from '../rules/types.ts';
import { applyRemedy } from '../remedies/apply.ts';
import { changeBetween, placeUnder } from '../source/edits.ts';
import { compareAudits } from './compare.ts';
import { PROFILES, selectFindings } from './profile.ts';
import { auditPage } from './run.ts';

const demo = join(__dirname, '../../../../demo/pages');
const pages = readdirSync(demo, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.html'))
  .map((file) => readFileSync(join(demo, file), 'utf8'));
const findings = (html: string, surroundings: Surroundings = {}) =>
  selectFindings(auditPage(parsePage(html, { surroundings })).findings, PROFILES['wcag22-aaa']!);

/** Offsets right before a block of the body: text put there touches no finding. */
function seams(html: string): number[] {
  const page = parsePage(html);
  const blocks = page.elements.filter(
    (element) =>
      element.range &&
      ['p', 'h2', 'h3', 'table', 'ul', 'div'].includes(element.tag) &&
      element.parent?.kind === 'element' &&
      ['body', 'main'].includes(element.parent.tag),
  );
  // Between neighbours that a finding holds together (a typed list, a line and what it heads) a new paragraph is no unrelated edit.
  const held = findings(html).filter((finding) =>
    [
      'lists/typed',
      'lists/stray-item',
      'lists/broken-run',
      'lists/foreign-child',
      'headings/imitated',
      'headings/last-empty',
      'headings/for-looks',
      'tables/caption-inside',
      'text/spacer-blocks',
    ].includes(finding.rule),
  );
  return blocks
    .map((block) => block.range!.start)
    .filter((at) => !held.some((finding) => at >= finding.at.start && at <= finding.at.end + 2));
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
  fc.assert(
    fc.property(edits, ([html, edit, where]) => {
      const places = seams(html);
      const after = new Set(findings(edit(html, places[where % places.length]!)).map((finding) => finding.fingerprint));
      const before = findings(html);
      all += before.length;
      kept += before.filter((finding) => after.has(finding.fingerprint)).length;
    }),
    { seed: 5, numRuns: 300 },
  );
  expect(all).toBeGreaterThan(1_000);
  expect(kept / all).toBeGreaterThanOrEqual(0.995);
});

test('after an unrelated edit nothing is called fixed or new', () => {
  fc.assert(
    fc.property(fc.constantFrom(...pages), fc.constantFrom(...UNRELATED), fc.nat(1_000), (html, edit, where) => {
      const places = seams(html);
      const later = edit(html, places[where % places.length]!);
      const compared = compareAudits(findings(html), findings(later), changeBetween(html, later));
      expect([compared.fixed, compared.new]).toEqual([[], []]);
    }),
    { seed: 6, numRuns: 200 },
  );
});

const CLEAN = {
  fragment:
    '<h2>Moorings</h2>\n<p>Ten places lie below the lock, five above it.</p>\n<h3>Below the lock</h3>\n<p>They are quiet at night.</p>\n',
  document:
    '<!doctype html>\n<html lang="en">\n<head><title>Moorings</title></head>\n<body><main><h1>Moorings</h1>\n<p>Ten places lie below the lock.</p></main></body>\n</html>\n',
};

test('the clean pages are clean', () => {
  expect([...findings(CLEAN.fragment), ...findings(CLEAN.document)]).toEqual([]);
});

/** Failing cases of the rules that speak of a piece and not of the whole page, to be planted in a clean one. */
const SLIPS = RULES.filter(
  (rule) => !/^document\/|headings\/(?:first-level|several-h1|leap)|text\/(?:hard-to-read|pasted-markup)/.test(rule.id),
).flatMap((rule) =>
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- the folder name is known only here
  (require(`../rules/${rule.id}/cases.ts`) as { cases: RuleCase[] }).cases
    .filter((one) => one.at && !one.html.startsWith('<html') && !one.at.includes('/html[1]/body[1]'))
    .map((one) => [rule.id, one] as const),
);

test.each(SLIPS.map(([id, one]) => [`${id}: ${one.shows}`, id, one] as const))(
  'planted in a clean page, %s is found once more, and nothing far from it',
  (_name, id, one) => {
    const planted = `${CLEAN.fragment}<h3>Above the lock</h3>\n<div>${one.html}</div>\n<p>The end.</p>`;
    const start = CLEAN.fragment.length;
    const found = findings(planted, one.surroundings);
    expect(found.filter((finding) => finding.rule === id).length).toBeGreaterThanOrEqual(1);
    expect(found.filter((finding) => finding.at.start < start)).toEqual([]);
    expect(found.filter((finding) => finding.at.start > planted.length - '<p>The end.</p>'.length - 1)).toEqual([]);
  },
);

describe('equal problems on one page', () => {
  const FOUR = '<h2>A</h2><p>one</p><h2></h2><p>two</p><h2></h2><p>three</p><h2></h2><p>four</p><h2></h2><p>five</p>';
  const blank = (html: string) => findings(html).filter((finding) => finding.rule === 'headings/blank');

  test('each has a name of its own, and keeps it when another of them goes', () => {
    const before = blank(FOUR).map((finding) => finding.fingerprint);
    expect(new Set(before).size).toBe(4);
    const without = FOUR.replace('<p>two</p><h2></h2>', '<p>two</p>');
    expect(blank(without).map((finding) => finding.fingerprint)).toEqual([before[0], before[2], before[3]]);
  });

  test.each([0, 1, 2, 3])('of four that stand side by side the one that is removed is the one called fixed (the %ith)', (which) => {
    const html = `<p>Before</p>${'<h3></h3>'.repeat(4)}<p>After</p>`;
    const old = blank(html);
    const { start, end } = old[which]!.at;
    const after = html.slice(0, start) + html.slice(end);
    const compared = compareAudits(old, blank(after), { edits: [{ start, end, text: '' }] }, { before: html, after });
    expect(compared.fixed).toEqual([old[which]]);
    expect(compared.kept.map((pair) => pair.old)).toEqual(old.filter((_, i) => i !== which));
  });

  test('without the edit, as between two files, the words beside them tell which one went', () => {
    for (const which of [0, 1, 2, 3]) {
      const after = `<p>New at the top</p>${['two', 'three', 'four', 'five'].reduce((html, word, i) => html.replace(i === which ? `<h2></h2><p>${word}</p>` : '', i === which ? `<p>${word}</p>` : ''), FOUR)}`;
      const compared = compareAudits(blank(FOUR), blank(after), undefined, { before: FOUR, after });
      expect(compared.fixed).toEqual([blank(FOUR)[which]]);
    }
  });

  test('any of a page’s certain fixes, one by one in any order, settle what they were made for and nothing else', () => {
    fc.assert(
      fc.property(fc.constantFrom(...pages), fc.infiniteStream(fc.nat(1_000)), (html, chosen) => {
        let page = parsePage(html);
        let left = auditPage(page).findings;
        for (let step = 0; step < 6; step++) {
          const able = left.flatMap((finding) =>
            finding.remedies.map((name) => ({ finding, result: applyRemedy(page, finding, name, {}) })).filter(({ result }) => result.ok),
          );
          const one = able[chosen.next().value! % Math.max(1, able.length)];
          if (!one?.result.ok) return;
          const after = parsePage(one.result.value.after);
          const compared = compareAudits(left, auditPage(after).findings, one.result.value.change, {
            before: page.source,
            after: after.source,
          });
          // Whatever stands untouched and unchanged is the finding it was.
          for (const { old, new: now } of compared.kept) expect(old.rule).toBe(now.rule);
          for (const gone of compared.fixed) {
            const moved = placeUnder(one.result.value.change, gone.at.start);
            expect(
              moved === null
                ? []
                : compared.new.filter((now) => now.rule === gone.rule && now.at.start === moved && now.subject === gone.subject),
            ).toEqual([]);
          }
          [page, left] = [after, auditPage(after).findings];
        }
      }),
      { seed: 9, numRuns: 25 },
    );
  });
});
