import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an address with its scheme',
    html: '<p>See <a href="https://larkmoor.example/hives">https://larkmoor.example/hives</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'an address without a scheme',
    html: '<p><a href="https://www.larkmoor.example">www.larkmoor.example</a> <a href="https://larkmoor.example/a/b">larkmoor.example/a/b</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]', '/html[1]/body[1]/p[1]/a[2]'],
    outcome: 'failed',
    source: 'practice',
  },
  { shows: 'words', html: '<p><a href="https://larkmoor.example/hives">Hives for hire</a></p>', source: 'practice' },
  {
    shows: 'a mail address, which is what one wants to know',
    html: '<p><a href="mailto:bees@larkmoor.example">bees@larkmoor.example</a></p>',
    source: 'practice',
  },
  { shows: 'a bare name that a place goes by', html: '<p><a href="https://larkmoor.example">larkmoor.example</a></p>', source: 'practice' },
  {
    shows: 'an address with a name of its own',
    html: '<p><a href="https://larkmoor.example/h" aria-label="Hives for hire">https://larkmoor.example/h</a></p>',
    source: 'practice',
  },
];
