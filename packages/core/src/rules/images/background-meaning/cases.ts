import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a map as the background of an empty box',
    html: '<div style="background-image:url(lock-plan.png);height:300px"></div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'cantTell',
    source: 'F3',
  },
  {
    shows: 'a box with a name',
    html: '<div role="img" aria-label="Plan of the locks" style="background-image:url(lock-plan.png);height:300px"></div>',
    source: 'F3',
  },
  { shows: 'a texture', html: '<div style="background:url(paper-texture.png);height:300px"></div>', source: 'practice' },
  {
    shows: 'a background under text',
    html: '<div style="background:url(lock.jpg);height:300px"><h2>Locks</h2><p>Text.</p></div>',
    source: 'practice',
  },
];
