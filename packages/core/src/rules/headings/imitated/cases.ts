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
  {
    shows: 'a bold line and the text it heads in one paragraph',
    html: '<p><b>Reading a frame</b><br>Hold it up to the light and look for eggs in the cells near the middle of it.</p>',
    at: ['/html[1]/body[1]/p[1]/b[1]'],
    outcome: 'cantTell',
    source: 'F2',
  },
  {
    shows: 'a caption by word and number before a table',
    html: '<p><b>Tabla 3. Profundidades</b></p><table><caption>x</caption><tr><th>a</th><th>b</th></tr><tr><td>1</td><td>2</td></tr></table>',
    source: 'practice',
  },
  {
    shows: 'a line of Korean with a name in capitals',
    html: '<p>이것은 UEFI 펌웨어를 쓰는 장치다</p><p>설치와 부팅을 지원한다.</p>',
    source: 'practice',
  },
  {
    shows: 'loose bold text between blocks',
    html: '<b>Reading a frame</b><p>Hold it up to the light.</p>',
    at: ['/html[1]/body[1]/b[1]'],
    outcome: 'failed',
    source: 'F2',
  },
  {
    shows: 'a bold line in wrappers of its own',
    html: '<div><div><b>Reading a frame</b></div></div><p>Hold it up to the light.</p>',
    at: ['/html[1]/body[1]/div[1]/div[1]'],
    outcome: 'failed',
    source: 'F2',
  },
  {
    shows: 'a price and a byline are questions at most',
    html: '<p><b>€ 12.50</b></p><p>A day on the water with the keeper.</p><p><b>By Mara Ellery</b></p><p>The lock was built of oak.</p>',
    at: ['/html[1]/body[1]/p[3]'],
    outcome: 'cantTell',
    source: 'practice',
  },
  {
    shows: 'options and commands of a manual, and a command amid a sentence',
    html:
      '<p><b>-C config-file</b></p><p>Use another file for the lock’s settings.</p><p><b>gatekeeper --open all</b></p><p>Opens every gate there is.</p>' +
      '<p>With both installed, the command</p><p><b>info gatekeeper</b></p><p>opens the manual for you.</p>',
    source: 'practice',
  },
  {
    shows: 'three bold lines with section numbers bear each other out',
    html:
      '<strong>1.1. Who opens the lock?</strong><br><p>The keeper does, every day at dawn.</p><strong>1.2. How deep is it?</strong><br><p>It is two fathoms deep in spring.</p>' +
      '<strong>1.3. May I fish?</strong><br><p>Not between the two gates of it.</p>',
    at: ['/html[1]/body[1]/strong[1]', '/html[1]/body[1]/strong[2]', '/html[1]/body[1]/strong[3]'],
    outcome: 'failed',
    source: 'F2',
  },
];
