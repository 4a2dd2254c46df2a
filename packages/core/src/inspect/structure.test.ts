import { auditPage } from '../audit/run.ts';
import { parsePage } from '../document/page.ts';
import { inspectStructure } from './structure.ts';

function structure(html: string) {
  const page = parsePage(html, { scope: 'fragment' });
  return inspectStructure(page, auditPage(page).findings);
}

test('lines that only look like headings stand among the headings, in their place', () => {
  const { headings } = structure(
    '<h2>Wax</h2><p>Text.</p><p><b>What it is for</b></p><p>Candles and polish.</p><h4>Rendering</h4><p>Heat it.</p>',
  );
  expect(headings.map(({ text, level }) => [level, text])).toEqual([
    [2, 'Wax'],
    [null, 'What it is for'],
    [4, 'Rendering'],
  ]);
});

test('a table’s cells come with the headers they are read with', () => {
  const [table] = structure(
    '<table><caption>Yields</caption><tr><td></td><th scope="col">Spring</th></tr><tr><th scope="row">North</th><td>12</td></tr></table>',
  ).tables;
  expect(table).toMatchObject({ caption: 'Yields', headers: 'both', use: 'data', rows: 2, columns: 2 });
  expect(table!.lines[1]!.map(({ text, header, heads }) => ({ text, header, heads }))).toEqual([
    { text: 'North', header: true, heads: [] },
    { text: '12', header: false, heads: ['North', 'Spring'] },
  ]);
});

test.each([
  ['<table><tr><th>Hive</th><th>Yield</th></tr><tr><td>A</td><td>12</td></tr></table>', 'row'],
  ['<table><tr><th>Hive</th><td>A</td></tr><tr><th>Yield</th><td>12</td></tr></table>', 'column'],
  ['<table><tr><td>Hive</td><td>Yield</td></tr><tr><td>A</td><td>12</td></tr></table>', 'none'],
  ['<table><tr><th>Hive</th><th>Yield</th></tr></table>', 'row'],
])('which cells head the others: %s', (html, headers) => {
  expect(structure(html).tables[0]!.headers).toBe(headers);
});

test('typed lines are shown with the nested list they become, real lists as they are', () => {
  const { lists } = structure(
    '<p>1. Candles</p><p>a) dipped</p><p>b) poured</p><p>2. Polish</p><ul><li>Smoker<ul><li>Fuel</li></ul></li><li>Veil</li></ul>',
  );
  expect(lists).toEqual([
    {
      path: '/html[1]/body[1]/p[1]',
      ordered: true,
      typed: ['1. Candles', 'a) dipped', 'b) poured', '2. Polish'],
      items: [
        {
          text: 'Candles',
          nested: [
            { text: 'dipped', nested: [] },
            { text: 'poured', nested: [] },
          ],
        },
        { text: 'Polish', nested: [] },
      ],
    },
    {
      path: '/html[1]/body[1]/ul[1]',
      ordered: false,
      typed: null,
      items: [
        { text: 'Smoker', nested: [{ text: 'Fuel', nested: [] }] },
        { text: 'Veil', nested: [] },
      ],
    },
  ]);
});

test('a list nested a thousand times is shown as deep as one can read it', () => {
  const { lists } = structure(`${'<ul><li>Down'.repeat(1_000)}${'</li></ul>'.repeat(1_000)}`);
  expect(lists.length).toBeGreaterThan(0);
});
