import type { RuleCase } from '../../types.ts';

const ENGLISH =
  'The keeper of the lock is at the hut from nine to five, and she will tell you what the boats are carrying and where they are from.';
const GERMAN =
  'Die Schleuse ist am Dienstag nicht in Betrieb, und wer mit dem Boot von Norden kommt, wird an der Brücke auf den Mittwoch warten müssen.';

export const cases: RuleCase[] = [
  {
    shows: 'a German passage in an English page',
    html: `<div lang="en"><p>${ENGLISH}</p><p>${GERMAN}</p></div>`,
    at: ['/html[1]/body[1]/div[1]/p[2]'],
    outcome: 'cantTell',
    source: 'H58',
  },
  { shows: 'with its language named', html: `<div lang="en"><p>${ENGLISH}</p><p lang="de">${GERMAN}</p></div>`, source: 'H58' },
  { shows: 'a fragment in one language', html: `<p>${GERMAN}</p><p>${GERMAN}</p>`, source: 'H58' },
  {
    shows: 'a page that says the wrong language for all of it',
    html: `<div lang="en"><p>Odile Marchetti, Larkmoor</p><p lang="de-AT">${GERMAN}</p></div>`,
    source: 'H58',
  },
  {
    shows: 'two German passages, and one in Greek letters',
    html: `<div lang="en"><p>${ENGLISH}</p><p>${GERMAN}</p><p>${GERMAN}</p><p>Η πύλη είναι κλειστή μέχρι το τέλος Μαΐου και ο φύλακας θα την ανοίξει τότε.</p></div>`,
    at: ['/html[1]/body[1]/div[1]/p[2]', '/html[1]/body[1]/div[1]/p[4]'],
    outcome: 'cantTell',
    source: 'H58',
  },
  {
    shows: 'a language near to one that is known',
    html: `<div lang="gl"><p>A barca que está no canal é de todos e non se pode levar para outro lugar sem que o garda o saiba e o permita por escrito.</p></div>`,
    source: 'practice',
  },
];
