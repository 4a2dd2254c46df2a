import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a button that says “click here”',
    html: '<p><button>Click here</button></p>',
    at: ['/html[1]/body[1]/p[1]/button[1]'],
    outcome: 'cantTell',
    source: 'G131',
  },
  {
    shows: 'two buttons of one word',
    html: '<form><button>Submit</button></form><form><input type="submit" value="Submit"></form>',
    at: ['/html[1]/body[1]/form[1]/button[1]', '/html[1]/body[1]/form[2]/input[1]'],
    outcome: 'cantTell',
    source: 'G131',
  },
  {
    shows: 'a button that says what it does, and the one of a form',
    html: '<p><button>Book a boat</button></p><form><button>Submit</button></form>',
    source: 'G131',
  },
];
