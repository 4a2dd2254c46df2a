import type { RuleCase } from '../../types.ts';

const CHOICES = '<label><input type="radio" name="d"> North</label> <label><input type="radio" name="d"> South</label>';

export const cases: RuleCase[] = [
  {
    shows: 'choices without a question',
    html: `<form><div>${CHOICES}</div></form>`,
    at: ['/html[1]/body[1]/form[1]/div[1]/label[1]/input[1]'],
    outcome: 'failed',
    source: 'H71',
  },
  {
    shows: 'a fieldset with its legend, and a named group',
    html: `<form><fieldset><legend>Which way?</legend>${CHOICES}</fieldset></form><div role="radiogroup" aria-label="Which way?">${CHOICES.replaceAll('name="d"', 'name="e"')}</div>`,
    source: 'H71',
  },
  { shows: 'one box to tick', html: '<form><label><input type="checkbox" name="ok"> I agree</label></form>', source: 'H71' },
];
