import { applyEdits as applied } from '../source/edits.ts';
import { parsePage } from '../document/page.ts';
import { alternativeEdit } from './filledIn.ts';

test('an alternative is given only to the image that was meant', () => {
  const page = parsePage('<p><img src="img/a.png"><img src="img/b.png" alt="B"></p>');
  const at = (nth: number) => `/html[1]/body[1]/p[1]/img[${nth}]`;
  const edit = alternativeEdit(page, 'index.html', { path: at(1), file: 'img/a.png', alternative: 'A "lock"' });
  expect(applied(page.source, edit && edit !== 'gone' ? [edit] : [])).toContain('<img alt="A &quot;lock&quot;" src="img/a.png">');
  expect(alternativeEdit(page, 'index.html', { path: at(2), file: 'img/b.png', alternative: 'B' })).toBeNull();
  expect(alternativeEdit(page, 'index.html', { path: at(1), file: 'img/b.png', alternative: 'B' })).toBe('gone');
  expect(alternativeEdit(page, 'index.html', { path: at(3), file: 'img/b.png', alternative: 'B' })).toBe('gone');
});
