import { resolveAddress, surroundingsFrom } from './addresses.ts';

// Relative references after RFC 3986, as the URL standard resolves them.
test.each<[string, string, string | null]>([
  ['unit-1/wax.html', 'spring.html', 'unit-1/spring.html'],
  ['unit-1/wax.html', '../images/a%20b.png?x#y', 'images/a b.png'],
  ['wax.html', './spring.html#top', 'spring.html'],
  ['unit-1/wax.html', '/spring.html', 'spring.html'],
  ['wax.html', '../../spring.html', 'spring.html'],
  ['wax.html', 'https://larkmoor.example/a', null],
  ['wax.html', '//larkmoor.example/a', null],
  ['wax.html', 'mailto:a@larkmoor.example', null],
  ['wax.html', '#top', null],
  ['wax.html', '', null],
  ['wax.html', '%E0%A4%A', null],
])('from %s, %s leads to %s', (from, address, to) => {
  expect(resolveAddress(from, address)).toBe(to);
});

test('the surroundings of a fragment know its shown title and the titles behind its links', () => {
  const surroundings = surroundingsFrom(
    { address: 'unit-1/wax.html', scope: 'fragment', title: 'Wax' },
    { titles: { 'unit-1/spring.html': 'Spring work' } },
  );
  expect(surroundings.shownTitle).toBe('Wax');
  expect(surroundings.titleOf?.('spring.html')).toBe('Spring work');
  expect(surroundings.titleOf?.('https://larkmoor.example/spring.html')).toBeUndefined();
  expect(surroundingsFrom({ address: 'a.html', scope: 'document', title: 'A' }, { titles: {} }).shownTitle).toBeUndefined();
});
