import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a linked image called “logo”',
    html: '<p><a href="/"><img src="a.png" alt="Logo"></a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]/img[1]'],
    outcome: 'cantTell',
    source: 'F30',
  },
  {
    shows: 'an image button called “button”',
    html: '<form><input type="image" src="go.png" alt="Button"></form>',
    at: ['/html[1]/body[1]/form[1]/input[1]'],
    outcome: 'cantTell',
    source: 'F30',
  },
  {
    shows: 'one that says where it leads',
    html: '<p><a href="/"><img src="a.png" alt="Larkmoor College"></a></p>',
    source: 'F30',
  },
];
