import { forcedSizes } from '../../../semantics/dressing.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'text/forced-size',
  title: 'Size of text forced',
  why: 'Text set in fixed units does not grow with the reader’s own setting.',
  fix: 'Leave the size to the page’s style; what is larger because it heads something should be a heading.',
  criteria: ['1.4.4'],
  techniques: ['C12', 'F69'],
  weight: 'should',
  scope: 'any',
  remedies: ['clear-size'],
  messages: {
    forced: 'The size {size} is forced on {many} pieces of text',
    tiny: 'The size {size} is forced on {many} pieces of text, and it is tiny',
  },
  end(page, tell) {
    for (const [size, elements] of forcedSizes(page))
      tell({ at: elements[0]!, message: isTiny(size) ? 'tiny' : 'forced', values: { size, many: elements.length }, subject: size });
  },
});

function isTiny(size: string): boolean {
  const number = parseFloat(size);
  return size.endsWith('px') ? number < 11 : size.endsWith('pt') ? number < 8.5 : size.includes('small');
}
