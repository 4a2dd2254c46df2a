import { addressOf, choiceFrom } from './choice';

const read = (query: string) => choiceFrom(new URLSearchParams(query));

test('a choice is written into the address and read back', () => {
  for (const choice of [read(''), read('order=title&verdict=judge&release=signed+off&family=tables&words=honey+jars&after=WzEsMl0')]) {
    expect(read(addressOf('bees', choice).split('?')[1] ?? '')).toEqual(choice);
  }
  expect(addressOf('bees', read(''))).toBe('/collections/bees');
});

test('what an address asks for and nobody knows asks for nothing', () => {
  expect(read('order=colour&verdict=perfect&release=x&family=dragons&words=+')).toEqual({
    order: 'holding',
    verdict: undefined,
    release: undefined,
    family: undefined,
    words: undefined,
    after: undefined,
  });
});
