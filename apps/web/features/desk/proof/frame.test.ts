/** @jest-environment jsdom */
import { parsePage, pathOf } from '@inkwell/core';
import { elementByPath } from './frame';

test('the engine’s path of every element names the same element in the browser’s document', () => {
  const source =
    '<html lang="en"><head><title>x</title></head><body><p>a<p>b <svg><title>t</title></svg><table><tr><td>1<td>2</table><p>c</body></html>';
  const page = parsePage(source);
  const shown = new DOMParser().parseFromString(source, 'text/html');
  for (const element of page.elements) expect(elementByPath(shown, pathOf(page, element))?.localName).toBe(element.tag);
  expect(elementByPath(shown, '/html[1]/body[1]/p[2]')?.textContent).toContain('b');
  expect(elementByPath(shown, '/html[1]/body[1]/p[9]')).toBeNull();
});
