import type { RuleCase } from '../../types.ts';

const at = ['/html[1]/body[1]/form[1]/label[1]/input[1]'];

export const cases: RuleCase[] = [
  {
    shows: 'a field for the user’s address without a word of it',
    html: '<form><label>Your e-mail <input type="email"></label></form>',
    at,
    outcome: 'failed',
    source: 'H98',
  },
  {
    shows: 'a value that is none',
    html: '<form><label>Your e-mail <input type="email" autocomplete="mail"></label></form>',
    at,
    outcome: 'failed',
    source: 'H98',
  },
  {
    shows: 'values that hold',
    html: '<form><label>Your e-mail <input type="email" autocomplete="section-crew work email"></label><label>Name <input autocomplete="name"></label></form>',
    source: 'HTML Living Standard, "Autofill"',
  },
  {
    shows: 'fields about something else',
    html: '<form><label>Name of the boat <input></label><label>Search <input type="search"></label></form>',
    source: 'H98',
  },
];
