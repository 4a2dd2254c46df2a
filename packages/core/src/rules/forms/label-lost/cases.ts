import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a label that points to nothing',
    html: '<p><label for="gone">Boat</label> <input aria-label="Boat"></p>',
    at: ['/html[1]/body[1]/p[1]/label[1]'],
    outcome: 'failed',
    source: 'H44',
  },
  {
    shows: 'a name without the words that are seen',
    html: '<p><label for="b">Name of the boat</label> <input id="b" aria-label="Vessel"></p>',
    at: ['/html[1]/body[1]/p[1]/input[1]'],
    outcome: 'failed',
    source: 'F96',
  },
  {
    shows: 'a button called otherwise',
    html: '<p><button aria-label="Submit form">Send</button></p>',
    at: ['/html[1]/body[1]/p[1]/button[1]'],
    outcome: 'failed',
    source: 'F96',
  },
  {
    shows: 'a name that holds the words',
    html: '<p><label for="b">Boat</label> <input id="b" aria-label="Boat, its full name"> <button aria-label="Send the form">Send</button><button aria-label="Close">×</button></p>',
    source: 'F96',
  },
  {
    shows: 'two labels for one field',
    html: '<p><label for="b">Boat</label> <label for="b">Its name</label> <input id="b"></p>',
    source: 'H44',
  },
];
