import type { RuleCase } from '../../types.ts';

const at = ['/html[1]/body[1]/p[1]'];

export const cases: RuleCase[] = [
  { shows: 'a misspelt attribute', html: '<p aria-lable="Locks">x</p>', at, outcome: 'failed', source: 'ARIA5' },
  { shows: 'a value that is none', html: '<p aria-hidden="yes">x</p>', at, outcome: 'failed', source: 'ARIA5' },
  { shows: 'a pointer to nothing', html: '<p aria-describedby="gone">x</p>', at, outcome: 'failed', source: 'practice' },
  { shows: 'attributes that work', html: '<p id="d" aria-live="polite" aria-describedby="d" aria-setsize="-1">x</p>', source: 'ARIA5' },
];
