import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'English called German',
    html: '<html lang="de"><body><p>The lock is closed until the end of May and the keeper will open it for boats that are waiting at the gate. </p><p>The lock is closed until the end of May and the keeper will open it for boats that are waiting at the gate. They have been there for hours and would like to go on to the town.</p><p>The lock is closed until the end of May and the keeper will open it for boats that are waiting at the gate. </p></body></html>',
    at: ['/html[1]'],
    outcome: 'cantTell',
    source: 'H57',
  },
  {
    shows: 'English called English',
    html: '<html lang="en"><body><p>The lock is closed until the end of May and the keeper will open it for boats that are waiting at the gate. </p><p>The lock is closed until the end of May and the keeper will open it for boats that are waiting at the gate. </p></body></html>',
    source: 'H57',
  },
];
