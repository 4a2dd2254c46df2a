import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a sentence in a heading',
    html: '<h3>Please bring your own veil and gloves to every single lesson of this course.</h3><p>Text.</p>',
    at: ['/html[1]/body[1]/h3[1]'],
    outcome: 'cantTell',
    source: 'F43',
  },
  {
    shows: 'headings in a row with nothing beneath',
    html: '<h3>Tools</h3><h3>Veils</h3><h3>Gloves</h3><p>Text.</p>',
    at: ['/html[1]/body[1]/h3[1]'],
    outcome: 'cantTell',
    source: 'F43',
  },
  {
    shows: 'a question of ordinary length',
    html: '<h2>When should I first open my own hive in spring?</h2><p>Text.</p>',
    source: 'practice',
  },
  { shows: 'a heading and the one below it', html: '<h2>Tools</h2><h3>Veils</h3><p>Text.</p>', source: 'practice' },
  {
    shows: 'headings with images beneath',
    html: '<h3>Tools</h3><img src="a.png" alt="A hive tool"><h3>Veils</h3><img src="b.png" alt="A square veil"><h3>Gloves</h3><img src="c.png" alt="Leather gloves">',
    source: 'practice',
  },
];
