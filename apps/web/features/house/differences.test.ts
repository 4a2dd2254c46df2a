import { PROFILES } from '@inkwell/core';
import { differences } from './differences';

const AA = { selection: PROFILES['wcag22-aa']!, vocabulary: {} };

test('two standards are told apart by what they say, in words', () => {
  const other = {
    selection: {
      ...PROFILES['wcag22-aaa']!,
      weights: { 'images/no-caption': 'off' as const },
      exceptions: { must: { days: 30 } },
      contentTypes: { lesson: { holds: ['must' as const, 'should' as const] } },
    },
    vocabulary: { vagueLinks: ['onwards', 'hither'] },
  };
  expect(differences(AA, other)).toEqual([
    { about: 'Level', before: 'AA', after: 'AAA' },
    { about: expect.stringMatching(/^Weight, /) as string, before: '', after: 'off' },
    { about: 'May stand, must, days at most', before: '', after: '30' },
    { about: 'Content type, lesson, Holds publication', before: '', after: 'must, should' },
    { about: 'Link texts that say nothing', before: '', after: 'onwards, hither' },
  ]);
  expect(differences(AA, AA)).toEqual([]);
});
