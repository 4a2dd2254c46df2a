import { changeBetween, changeOf } from '../source/edits.ts';
import { parsePage } from '../document/page.ts';
import { compareAudits } from './compare.ts';
import { hoursFor } from './effort.ts';
import { sentenceOf } from './prose.ts';
import { DEFAULT_PROFILE, PROFILES, selectFindings, verdictOf } from './profile.ts';
import { auditPage } from './run.ts';
import { CRITERIA } from '../standards/criteria.ts';

const PAGE = '<h2>Hive</h2>\n<p><img src="bee.png"></p>\n<p><img src="hut.png"></p>\n<h4>Floor</h4>\n<p><img src="fly.png"></p>';
const findings = (html: string) => auditPage(parsePage(html)).findings.filter((finding) => finding.weight !== 'consider');
const rules = (list: readonly { rule: string }[]) => list.map((finding) => finding.rule);

test('findings come in document order, the same each time', () => {
  const found = findings(PAGE);
  expect(rules(found)).toEqual(['images/no-alternative', 'images/no-alternative', 'headings/leap', 'images/no-alternative']);
  expect(found[0]).toMatchObject({
    family: 'images',
    weight: 'must',
    outcome: 'failed',
    at: { path: '/html[1]/body[1]/p[1]/img[1]', line: 2, column: 4, start: 17, end: 36 },
  });
  expect(JSON.stringify(findings(PAGE))).toBe(JSON.stringify(found));
  expect(sentenceOf(found[2]!)).toBe('“Floor” leaps from level 2 to level 4');
});

test('fingerprints tell findings apart, and survive edits elsewhere, moves and re-indentation', () => {
  const before = findings(PAGE).map((finding) => finding.fingerprint);
  expect(new Set(before).size).toBe(4);
  const later = `<p>New first paragraph</p>\n<section>\n    ${PAGE.replaceAll('\n', '\n    ')}\n</section><p>New last one</p>`;
  expect(findings(later).map((finding) => finding.fingerprint)).toEqual(before);
});

test('one image without an alternative is one finding, wherever it stands', () => {
  const [first, ...others] = findings('<p><img src="bee.png"> One</p><p><img src="hut.png"> Two</p><p><img src="bee.png"> Three</p>');
  expect(first!.places?.map((place) => place.path)).toEqual(['/html[1]/body[1]/p[1]/img[1]', '/html[1]/body[1]/p[3]/img[1]']);
  expect(first!.at).toEqual(first!.places![0]);
  expect(rules(others)).toEqual(['images/no-alternative']);
});

test('of two problems of one kind the one that was fixed is the one called fixed', () => {
  const edit = { start: 17, end: 36, text: '<img alt="Hive" src="bee.png">' };
  const change = changeOf(PAGE, [edit]);
  if (!change.ok) throw new Error(change.reason);
  const before = findings(PAGE);
  const after = findings(PAGE.slice(0, 17) + edit.text + PAGE.slice(36));
  const compared = compareAudits(before, after, change.value);
  expect(compared.fixed).toEqual([before[0]]);
  expect(compared.kept.map((pair) => pair.old)).toEqual(before.slice(1));
  expect(compared.new).toEqual([]);
});

test('without knowing the edit, likeness keeps a finding whose text was touched', () => {
  const before = findings('<h2>Hive</h2><h4>The floor of the hive</h4>');
  const after = findings('<h2>Hive</h2><p>More</p><h4>The wooden floor of the hive</h4><p><img src="owl.png"></p>');
  const compared = compareAudits(before, after);
  expect(compared.fixed).toEqual([]);
  expect(rules(compared.kept.map((pair) => pair.new))).toEqual(['headings/leap']);
  expect(rules(compared.new)).toEqual(['images/no-alternative']);
});

test('a whole new text is compared without a guess', () => {
  const other = '<p><a href="x"></a></p>';
  const compared = compareAudits(findings(PAGE), findings(other), changeBetween(PAGE, other));
  expect(compared.fixed).toHaveLength(4);
  expect(rules(compared.new)).toEqual(['links/blank']);
});

test('the verdict: failures of a holding weight, then questions, then ready', () => {
  const failed = { weight: 'must', outcome: 'failed' } as const;
  const question = { weight: 'should', outcome: 'cantTell' } as const;
  const lesser = { weight: 'should', outcome: 'failed' } as const;
  expect(verdictOf([question, failed], DEFAULT_PROFILE)).toBe('held');
  expect(verdictOf([lesser, question], DEFAULT_PROFILE)).toBe('judge');
  expect(verdictOf([lesser], DEFAULT_PROFILE)).toBe('ready');
  expect(verdictOf([lesser], { ...DEFAULT_PROFILE, holds: ['must', 'should'] })).toBe('held');
  expect(verdictOf([], DEFAULT_PROFILE)).toBe('ready');
});

test('a profile leaves out criteria its version does not know', () => {
  const [finding] = findings('<p><img src="bee.png"></p>');
  const odd = { ...finding!, criteria: ['1.1.1', '2.5.8', '4.1.1'] };
  expect(selectFindings([odd], PROFILES['wcag22-aa']!)[0]!.criteria).toEqual(['1.1.1', '2.5.8']);
  expect(selectFindings([odd], PROFILES['wcag20-a']!)[0]!.criteria).toEqual(['1.1.1', '4.1.1']);
});

// Counts of the Recommendations of 2008, 2018 and 2023 (from memory): 61, 78, and 86 with 4.1.1 dropped.
test('the criteria of each version are all there', () => {
  const since = (version: string) => CRITERIA.filter((criterion) => criterion.since === version).length;
  expect([since('2.0'), since('2.1'), since('2.2')]).toEqual([61, 17, 9]);
  expect(new Set(CRITERIA.map((criterion) => criterion.id)).size).toBe(87);
});

// The trade's figure: 1,000 images are about 40 hours.
test('the estimate', () => {
  expect([hoursFor(1000), hoursFor(0), hoursFor(1)]).toEqual([40, 0, 0.1]);
});
