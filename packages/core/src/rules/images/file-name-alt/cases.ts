import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a file name with its ending',
    html: '<img src="a/hive.jpg" alt="hive.jpg">',
    at: ['/html[1]/body[1]/img[1]'],
    outcome: 'failed',
    source: 'F30',
  },
  {
    shows: 'camera numbering',
    html: '<img src="x.jpg" alt="IMG_2043"><img src="y.jpg" alt="DSC 00012">',
    at: ['/html[1]/body[1]/img[1]', '/html[1]/body[1]/img[2]'],
    outcome: 'failed',
    source: 'F30',
  },
  {
    shows: 'an address',
    html: '<img src="x.jpg" alt="https://larkmoor.example/x">',
    at: ['/html[1]/body[1]/img[1]'],
    outcome: 'failed',
    source: 'F30',
  },
  {
    shows: 'the file’s own dashed name',
    html: '<img src="brood_frame-2.png" alt="brood_frame-2">',
    at: ['/html[1]/body[1]/img[1]'],
    outcome: 'failed',
    source: 'F30',
  },
  { shows: 'a word that is also the file’s name', html: '<img src="hive.jpg" alt="hive">', source: 'F30' },
  {
    shows: 'a sentence that speaks of a file',
    html: '<img src="a.png" alt="The settings page with the file bees.png chosen">',
    source: 'practice',
  },
  { shows: 'a description', html: '<img src="IMG_2043.jpg" alt="A frame of capped brood">', source: 'F30' },
  { shows: 'a number that is the image’s content', html: '<img src="seven.png" alt="7">', source: 'practice' },
];
