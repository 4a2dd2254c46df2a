import { parsePage, speakPage } from '@inkwell/core';
import type { Numbered } from '../useDesk';
import { notesByLine } from './notesByLine';

const note = (number: number, path: string) => ({ number, note: { id: number, at: { path } } }) as unknown as Numbered;

test('each note stands at the line that says its thing', () => {
  const lines = speakPage(
    parsePage('<h2>Wax</h2><p>See <a href="x">here</a> and <img src="a.png"></p><ul><li>One</li><li>Two</li></ul>', { scope: 'fragment' }),
  );
  const { at, unsaid } = notesByLine(lines, [
    note(1, '/html[1]'),
    note(2, '/html[1]/body[1]/h2[1]'),
    note(3, '/html[1]/body[1]/p[1]/a[1]'),
    note(4, '/html[1]/body[1]/p[1]/img[1]'),
    note(5, '/html[1]/body[1]/ul[1]/li[2]'),
    note(6, '/html[1]/body[1]/form[1]'),
  ]);
  const said = [...at].map(([i, notes]) => [lines[i]!.says, notes.map((one) => one.number)]);
  expect(said).toEqual([
    ['Heading level 2, Wax', [2]],
    [expect.stringContaining('link, here'), [3, 4]],
    ['2 of 2: Two', [5]],
  ]);
  expect(unsaid.map((one) => one.number)).toEqual([1, 6]);
});
