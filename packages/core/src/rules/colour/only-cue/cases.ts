import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'words that lean on colour',
    html: '<p>Dates in red are sold out.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'F13',
  },
  {
    shows: 'a button named by its colour',
    html: '<p>Press the green button when you are done.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'F13',
  },
  {
    shows: 'words set apart by colour',
    html: '<p>Boats run on Monday, <span style="color:#c00">Tuesday</span> and on every Friday in June.</p>',
    at: ['/html[1]/body[1]/p[1]/span[1]'],
    outcome: 'cantTell',
    source: 'F81',
  },
  {
    shows: 'in German',
    html: '<p lang="de">Die roten Felder müssen ausgefüllt werden.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'F81',
  },
  {
    shows: 'a colour that is a thing’s own',
    html: '<p>A red kite circled over the green hills, and the heron is grey.</p>',
    source: 'practice',
  },
  {
    shows: 'bold and coloured',
    html: '<p>Boats run on Monday, <b><span style="color:#c00">Tuesday</span></b> and on every <strong style="color:#c00">Friday</strong> in June.</p>',
    at: ['/html[1]/body[1]/p[1]/b[1]/span[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'a space that is blank, in Spanish',
    html: '<div lang="es"><p>Deje un espacio en blanco antes del nombre, que es obligatorio.</p></div>',
    source: 'practice',
  },
];
