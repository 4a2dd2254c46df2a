import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'words of a template',
    html: '<p>Lorem ipsum dolor sit amet.</p><p>Insert text here</p>',
    at: ['/html[1]/body[1]/p[1]', '/html[1]/body[1]/p[2]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a code that was never replaced',
    html: '<p>[embed]https://media.larkmoor.example/7[/embed]</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a text that speaks of them',
    html: '<p>Printers have set “lorem ipsum” for a long time, and every keeper of books knows the words.</p><p><code>{{ title }}</code></p>',
    source: 'practice',
  },
];
