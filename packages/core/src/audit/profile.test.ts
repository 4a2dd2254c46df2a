import { parsePage } from '../document/page.ts';
import { DEFAULT_PROFILE, PROFILES, selectFindings, type Profile } from './profile.ts';
import { auditPage } from './run.ts';

const audit = (html: string) => auditPage(parsePage(html)).findings;
const rules = (html: string, profile: Profile, contentType?: string) =>
  selectFindings(audit(html), profile, contentType).map((finding) => `${finding.rule} ${finding.weight}`);

const GREY = '<h2>Wax</h2><p style="color:#666666;background:#ffffff">Text of some words.</p>';

test('what only AAA asks for is asked at AAA, from the same audit', () => {
  expect(rules(GREY, PROFILES['wcag22-aa']!)).toEqual([]);
  expect(rules(GREY, PROFILES['wcag22-aaa']!)).toEqual(['colour/contrast-more must']);
});

test('a rule that serves only AA criteria is not asked at A', () => {
  const faint = '<h2>Wax</h2><p style="color:#999999;background:#ffffff">Text of some words.</p>';
  expect([rules(faint, PROFILES['wcag22-a']!), rules(faint, PROFILES['wcag22-aa']!)]).toEqual([[], ['colour/contrast must']]);
});

test('what a later version brought in is not asked by an earlier one', () => {
  const form = '<h2>Wax</h2><form><p><label>Your e-mail <input type="email"></label></p></form>';
  expect([rules(form, PROFILES['wcag20-aa']!), rules(form, PROFILES['wcag21-aa']!)]).toEqual([[], ['forms/autocomplete should']]);
});

test('AAA raises weights and settles questions where the standard does', () => {
  const links = '<h2>Wax</h2><p>The <a href="a">chart of wax</a> and another <a href="b">chart of wax</a> are here.</p>';
  expect(selectFindings(audit(links), DEFAULT_PROFILE)[0]).toMatchObject({
    rule: 'links/same-text-elsewhere',
    weight: 'should',
    outcome: 'cantTell',
  });
  expect(selectFindings(audit(links), PROFILES['wcag22-aaa']!)[0]).toMatchObject({ weight: 'must', outcome: 'failed' });
});

test('a house moves its measures either way without a new audit', () => {
  const alt = 'A keeper lifts a frame from the hive while two students in white suits look on from behind';
  const html = `<h2>Wax</h2><p>See <img src="keeper.png" alt="${alt}"> and read on.</p>`;
  const seen = (longestAlternative: number) =>
    rules(html, { ...DEFAULT_PROFILE, thresholds: { longestAlternative } }).includes('images/long-alt should');
  expect([alt.length > 85, seen(125), seen(85)]).toEqual([true, false, true]);
});

test('weights, plain link texts and content types', () => {
  const html = '<h2>Wax</h2><p>Melting points: <a href="x">Read more</a></p>';
  expect(rules(html, DEFAULT_PROFILE)).toEqual(['links/vague should']);
  expect(rules(html, { ...DEFAULT_PROFILE, weights: { 'links/vague': 'consider' } })).toEqual(['links/vague consider']);
  expect(rules(html, { ...DEFAULT_PROFILE, weights: { 'links/vague': 'off' } })).toEqual([]);
  const house: Profile = { ...DEFAULT_PROFILE, contentTypes: { announcement: { plainLinkTexts: ['read more'] } } };
  expect([rules(html, house, 'announcement'), rules(html, house, 'lesson')]).toEqual([[], ['links/vague should']]);
});
