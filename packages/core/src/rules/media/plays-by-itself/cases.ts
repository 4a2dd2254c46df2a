import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'sound that starts by itself',
    html: '<audio src="bees.mp3" autoplay controls></audio>',
    at: ['/html[1]/body[1]/audio[1]'],
    outcome: 'failed',
    source: 'F93',
  },
  {
    shows: 'motion without end',
    html: '<video src="water.mp4" autoplay muted loop></video>',
    at: ['/html[1]/body[1]/video[1]'],
    outcome: 'failed',
    source: 'F23',
  },
  {
    shows: 'a player in a frame is a question',
    html: '<iframe src="https://media.larkmoor.example/embed/7?autoplay=1" title="How a lock works"></iframe>',
    at: ['/html[1]/body[1]/iframe[1]'],
    outcome: 'cantTell',
    source: 'F93',
  },
  {
    shows: 'a recording that waits, and motion that can be stopped',
    html: '<audio src="bees.mp3" controls></audio><video src="water.mp4" autoplay muted loop controls></video>',
    source: 'F93',
  },
];
