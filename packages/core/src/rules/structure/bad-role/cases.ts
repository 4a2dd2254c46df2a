import type { RuleCase } from '../../types.ts';

const at = ['/html[1]/body[1]/div[1]'];

export const cases: RuleCase[] = [
  { shows: 'a made-up role', html: '<div role="fancybox">x</div>', at, outcome: 'failed', source: 'ARIA4' },
  { shows: 'an abstract role', html: '<div role="widget">x</div>', at, outcome: 'failed', source: 'ARIA4' },
  {
    shows: 'a role without the state it needs',
    html: '<div role="checkbox" tabindex="0">Boats</div>',
    at,
    outcome: 'failed',
    source: 'ARIA4',
  },
  { shows: 'a role with its state', html: '<div role="checkbox" tabindex="0" aria-checked="false">Boats</div>', source: 'ARIA4' },
  {
    shows: 'a native element, a fallback and a book’s role',
    html: '<label><input type="checkbox" role="switch"> Lamp</label><div role="fancy group" aria-label="x">y</div><aside role="doc-tip">z</aside>',
    source: 'WAI-ARIA 1.2, "Fallback roles"',
  },
];
