import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a box that acts on a click',
    html: '<div onclick="open()">Show hours</div>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'cantTell',
    source: 'F59',
  },
  {
    shows: 'a role without a way to reach it',
    html: '<span role="button" onclick="open()">Show hours</span>',
    at: ['/html[1]/body[1]/span[1]'],
    outcome: 'cantTell',
    source: 'F54',
  },
  {
    shows: 'a button, and a role that can be reached',
    html: '<button onclick="open()">Show hours</button><span role="button" tabindex="0" onclick="open()">Hide hours</span>',
    source: 'F59',
  },
  { shows: 'a box around a button', html: '<div onclick="note()"><button>Show hours</button></div>', source: 'practice' },
];
