import type { CaseView } from '@inkwell/review';
import { exceptionOf, usualOf } from './exceptions';

const used = (uses: number, facts: CaseView['facts']) => ({ uses, facts });

test('what most uses stand in is the usual', () => {
  const cases = [used(2, { language: 'en' }), used(11, { link: 'index.html', language: 'en' }), used(1, { link: 'shop.html' })];
  expect(usualOf(cases)).toEqual({ link: 'index.html', language: 'en' });
  expect(usualOf([])).toEqual({ link: null, language: '' });
});

test.each([
  ['the same link', { link: 'index.html', language: 'en' }, null],
  ['another link', { link: 'shop.html', language: 'en' }, /link to shop.html/],
  ['no link', { language: 'en' }, /in no link/],
  ['another language', { link: 'index.html', language: 'cy' }, /“cy”/],
  ['a page that says no language', { link: 'index.html' }, null],
])('%s', (_what, facts, words) => {
  const asked = exceptionOf({ facts }, { link: 'index.html', language: 'en' });
  if (words === null) expect(asked).toBeNull();
  else expect(asked).toMatch(words);
});
