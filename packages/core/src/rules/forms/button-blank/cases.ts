import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an empty button',
    html: '<p><button class="close"></button></p>',
    at: ['/html[1]/body[1]/p[1]/button[1]'],
    outcome: 'failed',
    source: 'H91',
  },
  {
    shows: 'a button with an icon only',
    html: '<p><button><svg><path d="M0 0"/></svg></button></p>',
    at: ['/html[1]/body[1]/p[1]/button[1]'],
    outcome: 'failed',
    source: 'H91',
  },
  {
    shows: 'an input without a value',
    html: '<p><input type="button"></p>',
    at: ['/html[1]/body[1]/p[1]/input[1]'],
    outcome: 'failed',
    source: 'H91',
  },
  {
    shows: 'names from text, image, label and the browser',
    html: '<p><button>Send</button><button><img src="a.png" alt="Close"></button><button aria-label="Menu">≡</button><input type="submit"></p>',
    source: 'H91',
  },
  {
    shows: 'a button with an image that is marked as decorative',
    html: '<p><button><img src="a.png" alt=""></button></p>',
    at: ['/html[1]/body[1]/p[1]/button[1]'],
    outcome: 'failed',
    source: 'H91',
  },
  {
    shows: 'an image that nobody described: told once, at the image',
    html: '<p><button><img src="a.png"></button></p>',
    source: 'H91',
  },
];
