import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an image from another host',
    html: '<p><img src="https://pictures.example/heron.jpg" alt="A heron"> x</p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'images of one’s own',
    html: '<p><img src="images/heron.jpg" alt="A heron"> x <img src="data:image/png;base64,AA==" alt="A dot"></p>',
    source: 'practice',
  },
];
