import { PROFILES } from '@inkwell/core';
import { readProfile, writeProfile } from './profile.ts';

test('every built-in profile survives being written and read', () => {
  for (const profile of Object.values(PROFILES)) expect(readProfile(writeProfile(profile))).toEqual({ ok: true, profile, vocabulary: {} });
});

const HOUSE = {
  name: 'Larkmoor',
  standard: 'WCAG 2.2',
  level: 'AA',
  holds: ['must', 'should'],
  weights: { 'images/no-caption': 'off' },
  thresholds: { longestAlternative: 160 },
  plainLinkTexts: ['Read more'],
  contentTypes: { announcement: { holds: ['must'] } },
};

test('a house profile with all it may set', () => {
  expect(readProfile(JSON.stringify(HOUSE))).toEqual({ ok: true, profile: HOUSE, vocabulary: {} });
});

test.each<[object | string, RegExp]>([
  ['{', /not JSON/],
  [{ ...HOUSE, level: 'B' }, /wrong value at level; it may be A, AA, AAA/],
  [{ ...HOUSE, colour: 1 }, /has colour in the profile/],
  [{ name: 'x' }, /lacks/],
  [{ ...HOUSE, weights: { 'images/none': 'must' } }, /wrong value at weights/],
  [{ ...HOUSE, thresholds: { longestLink: -1 } }, /longestLink/],
])('a wrong profile says where: %#', (text, reason) => {
  const read = readProfile(typeof text === 'string' ? text : JSON.stringify(text));
  expect(read.ok ? '' : read.reason).toMatch(reason);
});
