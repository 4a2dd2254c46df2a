import { aboutWords, browserWords, partWords } from './words';

test('a browser is told in two words, and one nobody knows is a browser', () => {
  expect(browserWords('Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0')).toBe('Firefox on Linux');
  expect(browserWords('Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 Chrome/142.0.0.0 Safari/537.36 Edg/142.0')).toBe(
    'Edge on Windows',
  );
  expect(browserWords('Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X) Version/19.0 Mobile/15E148 Safari/604.1')).toBe(
    'Safari on iOS',
  );
  expect([browserWords('curl/8.0'), browserWords(null)]).toEqual(['A browser', 'A browser']);
});

test('a part says where it is', () => {
  expect(partWords({ role: 'author', collection: 3, title: 'Bees' })).toBe('author in Bees');
  expect(partWords({ role: 'reviewer', collection: null })).toBe('reviewer in all collections');
});

test('what a deed was about is told in words, and what is not there is left out', () => {
  expect(aboutWords({ role: 'author', collection: null })).toBe('part author, in all collections');
  expect(aboutWords({ role: 'reviewer', collection: 'bees' })).toBe('part reviewer, collection bees');
  expect([aboutWords({ day: null }), aboutWords({})]).toEqual(['', '']);
});
