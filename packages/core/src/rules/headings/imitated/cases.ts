import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a bold paragraph before text',
    html: '<p><b>What the colony needs</b></p><p>A dry floor and food.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'F2',
  },
  {
    shows: 'bold by style on the paragraph',
    html: '<p style="font-weight:700">Reading a frame</p><ul><li>Hold it up.</li></ul>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'F2',
  },
  {
    shows: 'large text in a font tag',
    html: '<div><font size="5">Reading a frame</font></div><p>Hold it up.</p>',
    at: ['/html[1]/body[1]/div[1]'],
    outcome: 'failed',
    source: 'F2',
  },
  {
    shows: 'a bold line that ends in a colon is a question',
    html: '<p><strong>You will need:</strong></p><ul><li>A smoker</li></ul>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'capitals alone are a question',
    html: '<p>READING A FRAME</p><p>Hold it up.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'a remark in bold is a question',
    html: '<p><b>Important</b></p><p>Close the gate.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  { shows: 'a real heading', html: '<h2>Reading a frame</h2><p>Hold it up.</p>', source: 'H42' },
  { shows: 'a paragraph that is bold only in part', html: '<p><b>Reading</b> a frame takes practice.</p><p>Hold it up.</p>', source: 'F2' },
  { shows: 'a bold sentence at the end, with nothing to head', html: '<p>Hold it up.</p><p><b>Good luck</b></p>', source: 'practice' },
  { shows: 'bold cells of a table', html: '<table><tr><td><p><b>Week</b></p><p>One</p></td></tr></table>', source: 'practice' },
  {
    shows: 'a bold paragraph long enough to be prose',
    html: '<p><b>Never open the hive in the rain, in wind, or when the bees have been disturbed by somebody else on the same day.</b></p><p>Wait.</p>',
    source: 'practice',
  },
  {
    shows: 'a bold link in a block is a link',
    html: '<p><a href="x.html"><b>Spring</b></a></p><div role="button"><p><b>Go</b></p></div>',
    source: 'practice',
  },
];
