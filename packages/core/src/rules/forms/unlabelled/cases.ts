import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a field beside loose words',
    html: '<p>Name of the boat <input name="boat"></p>',
    at: ['/html[1]/body[1]/p[1]/input[1]'],
    outcome: 'failed',
    source: 'F68',
  },
  {
    shows: 'a placeholder as the only name',
    html: '<p><input placeholder="Name of the boat"></p>',
    at: ['/html[1]/body[1]/p[1]/input[1]'],
    outcome: 'failed',
    source: 'F82',
  },
  {
    shows: 'labels around, by id, by ARIA and by title',
    html: '<p><label>Boat <input></label><label for="l">Length</label><input id="l"><input aria-label="Draught"><input title="Beam"></p>',
    source: 'H44',
  },
  {
    shows: 'buttons and hidden fields',
    html: '<form><input type="hidden" name="k"><input type="submit"><input type="image" src="a.png" alt="Send"></form>',
    source: 'H44',
  },
];
