import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'click here with nothing around it',
    html: '<p><a href="spring.html">Click here</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'F63',
  },
  {
    shows: 'words around it that say nothing either',
    html: '<p>Please <a href="x.html">click here</a> to find out more.</p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'F63',
  },
  {
    shows: 'a sentence that gives the purpose makes it a question',
    html: '<p>For the chart of brood patterns <a href="chart.html">click here</a>.</p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'cantTell',
    source: 'F84',
  },
  {
    shows: 'a heading above makes it a question',
    html: '<h2>Opening hours</h2><p><a href="hours.html">More…</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'cantTell',
    source: 'F84',
  },
  {
    shows: 'other languages',
    html: '<p lang="de"><a href="x.html">Hier klicken</a></p><p lang="fr"><a href="y.html">En savoir plus »</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]', '/html[1]/body[1]/p[2]/a[1]'],
    outcome: 'failed',
    source: 'F63',
  },
  { shows: 'text that says where it goes', html: '<p><a href="chart.html">Chart of brood patterns</a></p>', source: 'F84' },
  {
    shows: 'a vague word with a fuller name',
    html: '<p><a href="chart.html" aria-label="More about brood patterns">More</a></p>',
    source: 'practice',
  },
  { shows: 'a vague word as part of the text', html: '<p><a href="more.html">More about swarms</a></p>', source: 'F84' },
  {
    shows: 'one text, twice',
    html: '<p>See the chart of depths <a href="a.html">here</a>.</p><p>See the list of moorings <a href="b.html">here</a>.</p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'cantTell',
    source: 'F84',
  },
  {
    shows: 'links that turn pages',
    html: '<p><a href="a.html" accesskey="n">Next</a> <a href="b.html" rel="prev">More</a> <a href="c.html">Continue to the locks</a></p>',
    source: 'F84',
  },
  {
    shows: 'a menu that goes down a column is never certainly vague',
    html:
      '<table><tr><td><a href="a.html">About the lock</a></td></tr><tr><td><a href="b.html">Download</a></td></tr><tr><td><a href="c.html">Moorings</a></td></tr></table>' +
      '<p>Boats come in one by one.</p>',
    at: ['/html[1]/body[1]/table[1]/tbody[1]/tr[2]/td[1]/a[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  { shows: 'the name of a member', html: '<p><a href="../controls/gate.click.html">Click</a></p>', source: 'practice' },
];
