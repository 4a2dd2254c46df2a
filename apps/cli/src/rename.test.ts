import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { writeZip, type Packed } from '../../../packages/formats/src/testing/zips.ts';
import { inkwellFolder } from './testing/inkwell.ts';

const { folder, file, call, remove } = inkwellFolder();
afterAll(remove);

const png = Buffer.from([0x89, 0x50, 0x4e, 0x47]);
const COURSE: Packed[] = [
  {
    name: 'imsmanifest.xml',
    data: '<manifest><organizations><organization><item identifierref="p"><title>Locks</title></item></organization></organizations><resources><resource identifier="p" href="unit/locks.html"><file href="unit/locks.html"/><file href="img/DSC_0041.JPG"/></resource><resource identifier="q" type="imsqti_xmlv1p2"><file href="quiz.xml"/></resource></resources></manifest>',
  },
  {
    name: 'unit/locks.html',
    data: '<p>The heron <img src="../img/DSC_0041.JPG" alt="A heron at lock four"> waits.</p>\r\n<p><img src="../img/DSC_0041.JPG"><img src=\'../img/plan.png\'></p>',
  },
  { name: 'unit/look.css', data: '.k { background: url("../img/DSC_0041.JPG") }' },
  {
    name: 'quiz.xml',
    data: '<quiz><attachment href="img/DSC_0041.JPG"/><mattext texttype="text/html"><![CDATA[<p>Which? <img src="img/DSC_0041.JPG" alt=""></p>]]></mattext></quiz>',
  },
  { name: 'img/DSC_0041.JPG', data: png, stored: true },
  { name: 'img/plan.png', data: png, stored: true },
  { name: 'img/unused.png', data: png },
];
const NEW = 'img/a-heron-at-lock-four.jpg';

beforeAll(() => writeZip(join(folder, 'course.imscc'), COURSE));

/** The course with a replacement in every text, and the image under another name. */
async function expected(replace: (text: string) => string, name = 'img/DSC_0041.JPG'): Promise<Buffer> {
  await writeZip(
    join(folder, 'expected.zip'),
    COURSE.map((one) => ({
      ...one,
      name: one.name === 'img/DSC_0041.JPG' ? name : one.name,
      data: typeof one.data === 'string' ? replace(one.data) : one.data,
    })),
  );
  return readFileSync(join(folder, 'expected.zip'));
}

test('names are proposed by the first words that are known, and only where a name says nothing', () => {
  expect(call(['rename', 'course.imscc', '--propose']).out).toBe(`old,new\r\nimg/DSC_0041.JPG,${NEW}\r\n`);
});

test('a renamed file is followed by every reference, in pages, styles, XML and manifest, and by nothing else', async () => {
  file('map.csv', call(['rename', 'course.imscc', '--propose']).out);
  const { status, error } = call(['rename', 'course.imscc', '--map', 'map.csv', '--out', 'renamed.imscc', '--redirects', 'redirects.csv']);
  expect([status, error]).toEqual([0, '1 renamed; references in 4 files follow\n']);
  const whole = await expected((text) => text.replaceAll('DSC_0041.JPG', 'a-heron-at-lock-four.jpg'), NEW);
  expect(readFileSync(join(folder, 'renamed.imscc')).equals(whole)).toBe(true);
  expect(readFileSync(join(folder, 'redirects.csv'), 'utf8')).toBe(`old,new\r\n/img/DSC_0041.JPG,/${NEW}\r\n`);
  expect(call(['rename', 'renamed.imscc', '--propose']).out).toBe('old,new\r\n');
});

test.each([
  ['a file that is missing', 'old,new\nimg/none.png,img/lock.png\n', /img\/none\.png is not in/],
  ['one that is there', 'old,new\nimg/plan.png,img/unused.png\n', /img\/unused\.png is there already/],
  ['one target twice', 'old,new\nimg/plan.png,img/a.png\nimg/unused.png,img/a.png\n', /img\/a\.png is named twice/],
  ['a place outside', 'old,new\nimg/plan.png,../a.png\n', /no name inside/],
  ['no columns of its own', 'from,to\na,b\n', /has no column old, new/],
])('a map that names %s is refused whole', (_what, map, reason) => {
  file('bad.csv', map);
  const { status, error } = call(['rename', 'course.imscc', '--map', 'bad.csv', '--out', 'bad.imscc']);
  expect(status).toBe(2);
  expect(error).toMatch(reason);
  expect(() => readFileSync(join(folder, 'bad.imscc'))).toThrow();
});

test('a folder is renamed into a new one', () => {
  mkdirSync(join(folder, 'site/img'), { recursive: true });
  file('site/index.html', '<p><img src="img/plan.png" alt="The plan"></p>');
  file('site/img/plan.png', png);
  file('map.csv', 'old,new\nimg/plan.png,pictures/plan-of-the-cut.png\n');
  expect(call(['rename', 'site', '--map', 'map.csv', '--out', 'moved']).status).toBe(0);
  expect(readFileSync(join(folder, 'moved/index.html'), 'utf8')).toBe('<p><img src="pictures/plan-of-the-cut.png" alt="The plan"></p>');
  expect(readFileSync(join(folder, 'moved/pictures/plan-of-the-cut.png')).equals(png)).toBe(true);
});

test('a sheet of images that was filled in elsewhere is taken, row by row', async () => {
  const sheet = call(['inspect', 'course.imscc', '--view', 'images', '--format', 'csv']).out;
  expect(sheet.split('\r\n')).toEqual([
    'page,path,file,alternative,decorative',
    'unit/locks.html,/html[1]/body[1]/p[1]/img[1],img/DSC_0041.JPG,A heron at lock four,no',
    'unit/locks.html,/html[1]/body[1]/p[2]/img[1],img/DSC_0041.JPG,,',
    'quiz.xml#/quiz[1]/mattext[1],/html[1]/body[1]/p[1]/img[1],img/DSC_0041.JPG,,yes',
    'unit/locks.html,/html[1]/body[1]/p[2]/img[2],img/plan.png,,',
    '',
  ]);
  file(
    'sheet.csv',
    sheet.replace('img/DSC_0041.JPG,,\r', 'img/DSC_0041.JPG,,yes\r').replace('img/plan.png,,\r', 'img/plan.png,\'=Plan "A",no\r'),
  );
  const filled = call(['fill', 'course.imscc', '--from', 'sheet.csv', '--out', 'filled.imscc']);
  expect([filled.status, filled.error]).toEqual([2, expect.stringMatching(/is no CSV that can be read/) as unknown]);
  file(
    'sheet.csv',
    sheet.replace('img/DSC_0041.JPG,,\r', 'img/DSC_0041.JPG,,yes\r').replace('img/plan.png,,\r', 'img/plan.png,"\'=Plan ""A""",no\r'),
  );
  expect(call(['fill', 'course.imscc', '--from', 'sheet.csv', '--out', 'filled.imscc'])).toMatchObject({
    status: 0,
    error: '4 filled in, 0 left as they are\n',
  });
  const whole = await expected((text) =>
    text
      .replace('<p><img src="../img/DSC_0041.JPG">', '<p><img alt="" src="../img/DSC_0041.JPG">')
      .replace("<img src='../img/plan.png'>", '<img alt="=Plan &quot;A&quot;" src=\'../img/plan.png\'>'),
  );
  expect(readFileSync(join(folder, 'filled.imscc')).equals(whole)).toBe(true);
});

test('a row whose page changed since is named and left, and the rest is written', () => {
  file(
    'old.csv',
    'page,path,file,alternative,decorative\nunit/locks.html,/html[1]/body[1]/p[1]/img[1],img/other.png,Other,no\nunit/locks.html,/html[1]/body[1]/p[2]/img[2],img/plan.png,The plan,no\ngone.html,/html[1],a.png,A,no\n',
  );
  const { status, error } = call(['fill', 'course.imscc', '--from', 'old.csv', '--out', 'part.imscc']);
  expect(status).toBe(2);
  expect(error).toContain('unit/locks.html no longer shows img/other.png');
  expect(error).toContain('gone.html is not in course.imscc');
  expect(error).toContain('1 filled in, 2 left as they are');
  expect(call(['fix', 'part.imscc', '--diff']).status).toBe(1);
});
