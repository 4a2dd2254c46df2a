import { readFileSync } from 'node:fs';
import { RULES } from '../rules/registry.ts';
import { isLanguageTag } from './languageTags.ts';
import { techniqueSays } from './techniques.ts';

interface Entry {
  Type: string;
  Subtag?: string;
  Tag?: string;
}

const registry = JSON.parse(readFileSync(require.resolve('language-subtag-registry/data/json/registry.json'), 'utf8')) as Entry[];
const plain = registry.filter((entry) => !(entry.Subtag ?? entry.Tag)!.includes('..'));

test('every registered language, script, region, variant and whole tag makes a valid tag', () => {
  const tags = plain.map(({ Type, Subtag, Tag }) =>
    Type === 'language'
      ? Subtag!
      : Type === 'extlang'
        ? `zh-${Subtag}`
        : Type === 'script' || Type === 'region'
          ? `en-${Subtag}`
          : Type === 'variant'
            ? `en-${Subtag}`
            : Tag!,
  );
  expect(tags.length).toBeGreaterThan(9_000);
  expect(tags.filter((tag) => !isLanguageTag(tag))).toEqual([]);
});

// RFC 5646, appendix A, and made-up tags.
test.each([
  'de',
  'de-CH-1996',
  'zh-Hant',
  'sr-Latn-RS',
  'sl-rozaj-biske',
  'en-US-u-islamcal',
  'de-DE-u-co-phonebk',
  'x-whatever',
  'en-a-bbb-x-a-ccc',
  'EN-gb',
  'es-419',
])('%s is a language tag', (tag) => {
  expect(isLanguageTag(tag)).toBe(true);
});

test.each(['', 'english', 'en_GB', 'xy', 'en-', 'en-uk2', 'en-Larkmoor', 'a', '12', 'de-419-DE', 'ar-a-aaa-b'])('%j is none', (tag) => {
  expect(isLanguageTag(tag)).toBe(false);
});

test('every technique that a rule cites is told in a sentence', () => {
  const cited = [...new Set(RULES.flatMap(({ techniques }) => techniques))];
  expect(cited.length).toBeGreaterThan(90);
  for (const code of cited) expect([code, techniqueSays(code)]).toEqual([code, expect.stringMatching(/^[A-Z].*\.$/)]);
  expect(techniqueSays('H999')).toBeNull();
});
