import { placeFrom, queryOf } from './place';

test('a place on the Desk comes back from its address', () => {
  for (const query of [
    '',
    '?face=spoken',
    '?width=320&text=200&eyes=no-colour&images=words',
    '?face=changes&from=2&to=5',
    '?text=200&words=faint+grey',
    '?face=outline&family=lists&weight=must&note=7',
  ])
    expect(queryOf(placeFrom(new URLSearchParams(query)))).toBe(query);
});

test('what an address makes up is as usual', () => {
  expect(queryOf(placeFrom(new URLSearchParams('?face=back&width=9&note=x&from=1&to=1')))).toBe('');
});
