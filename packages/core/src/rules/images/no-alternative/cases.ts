import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'an image without alt',
    html: '<p><img src="hive.png"></p>',
    at: ['/html[1]/body[1]/p[1]/img[1]'],
    outcome: 'failed',
    source: 'F65',
  },
  {
    shows: 'an image button without alt',
    html: '<form><input type="image" src="go.png"></form>',
    at: ['/html[1]/body[1]/form[1]/input[1]'],
    outcome: 'failed',
    source: 'H36',
  },
  {
    shows: 'a region of an image map without alt',
    html: '<map name="m"><area href="lock.html" coords="0,0,9,9"></map>',
    at: ['/html[1]/body[1]/map[1]/area[1]'],
    outcome: 'failed',
    source: 'H24',
  },
  {
    shows: 'an object with nothing in it',
    html: '<object data="plan.svg"></object>',
    at: ['/html[1]/body[1]/object[1]'],
    outcome: 'failed',
    source: 'H53',
  },
  { shows: 'role=img with no name', html: '<span role="img"></span>', at: ['/html[1]/body[1]/span[1]'], outcome: 'failed', source: 'F65' },
  {
    shows: 'an svg with role=img and no title',
    html: '<svg role="img"><path d="M0 0"/></svg>',
    at: ['/html[1]/body[1]/svg[1]'],
    outcome: 'failed',
    source: 'F65',
  },
  {
    shows: 'an svg with text and no word of its purpose is a question',
    html: '<svg><text>Lock 4</text></svg>',
    at: ['/html[1]/body[1]/svg[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  { shows: 'an image with a description', html: '<img src="hive.png" alt="A hive of three boxes">', source: 'H37' },
  { shows: 'an image marked as decorative', html: '<img src="rule.png" alt=""><img src="rule.png" alt>', source: 'H37' },
  {
    shows: 'an image named by aria-labelledby',
    html: '<p id="c">The hive in May</p><img src="hive.png" aria-labelledby="c">',
    source: 'F65',
  },
  {
    shows: 'presentational and hidden images',
    html: '<img src="a.png" role="presentation"><div aria-hidden="true"><img src="b.png"></div><img src="c.png" hidden>',
    source: 'F65',
  },
  { shows: 'an object with text in its place', html: '<object data="plan.svg">Plan of the lock</object>', source: 'H53' },
  {
    shows: 'an svg named by its title, and an ornament',
    html: '<svg role="img"><title>Lock gate</title></svg><svg aria-hidden="true"><text>x</text></svg><svg><path d="M0 0"/></svg>',
    source: 'practice',
  },
  { shows: 'a template nobody has opened', html: '<template><img src="a.png"></template>', source: 'practice' },
];
