import { auditPage } from '../audit/run.ts';
import { parsePage } from '../document/page.ts';
import { inspectKinds } from '../inspect/kinds.ts';
import { inspectTables } from '../inspect/views.ts';
import { COLOUR_VISION } from '../standards/colourVision.ts';
import { alikeTo, fixAlike } from './apply.ts';
import { arrange, type Arrangement } from './arrange.ts';

function arranged(html: string, wish: Arrangement): string {
  const result = arrange(parsePage(html), wish);
  return result.ok ? result.value.after : `declined: ${result.reason}`;
}

const P = '/html[1]/body[1]';

describe('levels', () => {
  test('many headings at once, each with its own level and nothing else touched', () => {
    expect(
      arranged('<h2 id=a>A</h2>\n<h4>B</h4>\n<p><b>C</b></p>\n<h3>D</h3>', {
        kind: 'levels',
        levels: [
          { path: `${P}/h4[1]`, level: 3 },
          { path: `${P}/p[1]`, level: 3 },
          { path: `${P}/h3[1]`, level: 0 },
        ],
      }),
    ).toBe('<h2 id=a>A</h2>\n<h3>B</h3>\n<h3>C</h3>\n<p>D</p>');
  });

  test.each<[string, Arrangement, RegExp]>([
    ['a level that is none', { kind: 'levels', levels: [{ path: `${P}/h2[1]`, level: 7 }] }, /from 1 to 6/],
    ['the level it has', { kind: 'levels', levels: [{ path: `${P}/h2[1]`, level: 2 }] }, /change nothing/],
    ['a heading that is gone', { kind: 'levels', levels: [{ path: `${P}/h3[1]`, level: 2 }] }, /no longer there/],
  ])('declines %s', (_shows, wish, reason) => {
    expect(arranged('<h2>A</h2>', wish)).toMatch(reason);
  });
});

describe('tables', () => {
  const bare = '<table><tr><td>Lock</td><td>Depth</td></tr><tr><td>One</td><td>2 m</td></tr></table>';
  const both =
    '<table><caption>Locks</caption><tr><th scope="col">Lock</th><th scope="col">Depth</th></tr><tr><th scope="row">One</th><td>2 m</td></tr></table>';
  const wish = (headers: 'row' | 'column' | 'both' | 'none', caption = ''): Arrangement => ({
    kind: 'table',
    path: `${P}/table[1]`,
    headers,
    caption,
  });

  test('both, with a caption', () => expect(arranged(bare, wish('both', 'Locks'))).toBe(both));
  test('back to none is the table as it was', () => expect(arranged(both, wish('none'))).toBe(bare));
  test('from the first row to the first column', () => {
    expect(
      arranged('<table><tr><th scope=col>Lock</th><th scope=col>Depth</th></tr><tr><td>One</td><td>2 m</td></tr></table>', wish('column')),
    ).toBe('<table><tr><th scope="row">Lock</th><td>Depth</td></tr><tr><th scope="row">One</th><td>2 m</td></tr></table>');
  });
  test('a wrong scope is set right, a right one left as it is written', () => {
    expect(
      arranged('<table><tr><th scope=row>Lock</th><th scope=col>Depth</th></tr><tr><td>One</td><td>2 m</td></tr></table>', wish('row')),
    ).toBe('<table><tr><th scope="col">Lock</th><th scope=col>Depth</th></tr><tr><td>One</td><td>2 m</td></tr></table>');
  });
  test('new words replace a caption’s, the same words leave its markup', () => {
    expect(arranged(both, wish('both', 'Depths & locks'))).toBe(both.replace('Locks', 'Depths &amp; locks'));
    expect(arranged(both.replace('>Locks<', '><b>Locks</b><'), wish('both', 'Locks'))).toMatch(/change nothing/);
  });
  test('cells that head inner rows by hand stay headers', () => {
    const inner = '<table><tr><th scope="col">A</th><th scope="col">B</th></tr><tr><td>1</td><th>2</th></tr></table>';
    expect(arranged(inner, wish('none'))).toBe('<table><tr><td>A</td><td>B</td></tr><tr><td>1</td><th>2</th></tr></table>');
  });
  const merged =
    '<table><tr><td rowspan=2>Hive</td><td colspan=2>Honey</td></tr><tr><td>Spring</td><td>Late</td></tr><tr><td>North</td><td>12</td><td>9</td></tr></table>';
  const headed =
    '<table><tr><th scope="col" rowspan=2>Hive</th><th scope="col" colspan=2>Honey</th></tr>' +
    '<tr><th scope="col">Spring</th><th scope="col">Late</th></tr><tr><th scope="row">North</th><td>12</td><td>9</td></tr></table>';
  test('headers that span are headers of all they span: each cell is read with both rows of them', () => {
    expect(arranged(merged, wish('both'))).toBe(headed);
    const [table] = inspectTables(parsePage(headed));
    const heard = table!.cells.find(({ row, column }) => row === 2 && column === 2)!.headers;
    expect(heard).toHaveLength(3);
    expect(arranged(headed, wish('none'))).toBe(merged);
  });
  test('how many rows of headers there are can be said', () => {
    const plain = bare.replace('</table>', '<tr><td>Two</td><td>3 m</td></tr></table>');
    expect(arranged(plain, { ...wish('row'), depth: { rows: 2, columns: 1 } } as Arrangement)).toBe(
      plain.replace(/<td>(Lock|Depth|One|2 m)<\/td>/g, '<th scope="col">$1</th>'),
    );
  });
  test('a title across the table heads nothing, and the row under it does', () => {
    const titled = bare.replace('<tr>', '<tr><td colspan=2>Locks of the cut</td></tr><tr>');
    expect(arranged(titled, wish('row'))).toBe(titled.replace(/<td>(Lock|Depth)<\/td>/g, '<th scope="col">$1</th>'));
  });
  test('a header cell without words is given some, where it has none and nowhere else', () => {
    const blank = '<table><tr><th scope=col>Lock<th scope=col>&nbsp;<tr><td>One<td>2 m</table>';
    const fill = (path: string): Arrangement =>
      ({ ...wish('row'), fills: [{ path: `${P}/table[1]/tbody[1]/${path}`, text: 'Depth & width' }] }) as Arrangement;
    expect(arranged(blank, fill('tr[1]/th[2]'))).toBe(blank.replace('&nbsp;', 'Depth &amp; width'));
    expect(arranged(blank, fill('tr[1]/th[1]'))).toMatch(/has words already/);
    expect(arranged(blank, fill('tr[9]/th[1]'))).toMatch(/no longer there/);
  });
  test('the choice is heard at every cell', () => {
    const [table] = inspectTables(parsePage(both));
    expect(table!.cells.find((cell) => cell.row === 1 && cell.column === 1)!.headers).toHaveLength(2);
  });
  test('a layout table is laid out in the order chosen', () => {
    const layout = '<table><tr><td>North</td><td>South</td></tr><tr><td>Gate</td><td>Weir</td></tr></table>';
    expect(arranged(layout, { kind: 'flatten', path: `${P}/table[1]`, order: 'columns' })).toBe(
      '<p>North</p>\n<p>Gate</p>\n<p>South</p>\n<p>Weir</p>',
    );
    expect(arranged(layout, { kind: 'flatten', path: `${P}/table[1]`, order: 'rows' })).toBe(
      '<p>North</p>\n<p>South</p>\n<p>Gate</p>\n<p>Weir</p>',
    );
  });
});

describe('the same slip many times', () => {
  const findingsOf = (html: string) => auditPage(parsePage(html)).findings;

  test('typed lists are one slip, whatever they say', () => {
    const html = '<h2>A</h2><p>- One</p><p>- Two</p><h2>B</h2><p>- Three</p><p>- Four</p>';
    const page = parsePage(html);
    const lists = findingsOf(html).filter((finding) => finding.rule === 'lists/typed');
    expect(alikeTo(page, lists[0]!, 'make-list', findingsOf(html))).toEqual(lists);
    const done = fixAlike(page, lists, 'make-list', {});
    expect(done.after).toBe('<h2>A</h2><ul><li>One</li><li>Two</li></ul><h2>B</h2><ul><li>Three</li><li>Four</li></ul>');
    expect(done.fixed).toHaveLength(2);
  });

  test('a description is given to the uses of one image only', () => {
    const html = '<p><img src="gate.png"> North</p><p><img src="weir.png"> South</p><p><img src="gate.png"> East</p>';
    const page = parsePage(html);
    const [first] = findingsOf(html).filter((finding) => finding.rule === 'images/no-alternative');
    const alike = alikeTo(page, first!, 'describe', findingsOf(html));
    expect(alike.map((finding) => [finding.subject, finding.places?.length])).toEqual([['gate.png', 2]]);
    expect(fixAlike(page, alike, 'describe', { alt: 'A lock gate' }).after).toBe(
      '<p><img alt="A lock gate" src="gate.png"> North</p><p><img src="weir.png"> South</p><p><img alt="A lock gate" src="gate.png"> East</p>',
    );
  });

  test('one slip is fixed however often it stands', () => {
    const html = Array.from(
      { length: 12 },
      (_, i) => `<p>Leaf ${i}: <a href="leaf-${i}.html" target="_blank">Leaf number ${i}</a>.</p>`,
    ).join('');
    const page = parsePage(html);
    const all = findingsOf(html).filter((finding) => finding.rule === 'links/new-window');
    const { after, fixed } = fixAlike(page, alikeTo(page, all[0]!, 'same-window', all), 'same-window', {});
    expect([fixed.length, after]).toEqual([12, html.replaceAll(' target="_blank"', '')]);
  });

  test('each keeps what is proposed for it where nobody chose otherwise, and what declines says why', () => {
    const html = '<h2>A</h2><h4>B</h4><h2>C</h2><h5>D</h5>';
    const page = parsePage(html);
    const leaps = findingsOf(html).filter((finding) => finding.rule === 'headings/leap');
    expect(fixAlike(page, leaps, 'set-level', {}).after).toBe('<h2>A</h2><h3>B</h3><h2>C</h2><h3>D</h3>');
    const refused = fixAlike(page, leaps, 'set-level', { level: '9' });
    expect([refused.after, refused.declined.map((one) => one.reason)]).toEqual([
      html,
      ['Choose a level from 1 to 6.', 'Choose a level from 1 to 6.'],
    ]);
  });
});

test('a page by kind, out of its surroundings', () => {
  const kinds = inspectKinds(
    parsePage(
      '<h2>Wax</h2><nav aria-label="Parts"><a href="x.html">here</a></nav><img src="a.png" alt=""><img src="b.png"><img src="c.png" alt="A hive"><label>Name <input></label><input type="hidden">',
    ),
  );
  expect(kinds.headings.map(({ name, detail }) => [name, detail])).toEqual([['Wax', 'level 2']]);
  expect(kinds.links.map(({ name, detail }) => [name, detail])).toEqual([['here', 'x.html']]);
  expect(kinds.landmarks.map(({ name, detail }) => [name, detail])).toEqual([['Parts', 'navigation']]);
  expect(kinds.images.map(({ name }) => name)).toEqual(['', 'A hive']);
  expect(kinds.fields.map(({ name, detail }) => [name, detail])).toEqual([['Name', 'field']]);
});

test('greys look the same to every eye, and red and green come close without the cones for them', () => {
  for (const rows of Object.values(COLOUR_VISION))
    for (const row of [0, 3, 6]) expect(rows[row]! + rows[row + 1]! + rows[row + 2]!).toBeCloseTo(1, 5);
  const seen = (name: keyof typeof COLOUR_VISION, [r, g, b]: number[]) =>
    [0, 3, 6].map((row) => COLOUR_VISION[name][row]! * r! + COLOUR_VISION[name][row + 1]! * g! + COLOUR_VISION[name][row + 2]! * b!);
  const apart = (name: keyof typeof COLOUR_VISION) =>
    Math.hypot(...seen(name, [0.5, 0, 0]).map((value, i) => value - seen(name, [0, 0.15, 0])[i]!));
  expect(apart('no-green')).toBeLessThan(Math.hypot(0.5, 0.15) / 2);
  expect(apart('no-red')).toBeLessThan(Math.hypot(0.5, 0.15) / 2);
});
