import { defineRule } from '../../types.ts';
import { HEADING_TAGS } from '../../../semantics/blocks.ts';
import { nameOf } from '../../../semantics/names.ts';
import { headingLevel } from '../../../semantics/outline.ts';
import { imagesIn } from '../../../semantics/images.ts';

export const rule = defineRule({
  id: 'headings/blank',
  title: 'Heading with no text',
  why: 'Someone browsing by headings lands on it, hears a level and nothing else, and cannot tell what the section holds.',
  fix: 'Write what the section is about, or take the empty heading out.',
  criteria: ['1.3.1', '2.4.6'],
  techniques: ['H42'],
  weight: 'must',
  scope: 'any',
  remedies: ['remove', 'fill'],
  messages: {
    empty: 'This level {level} heading has no text',
    image: 'This level {level} heading holds only an image that nobody has described',
  },
  tags: [...HEADING_TAGS, '[role=heading]'],
  visit(page, element, tell) {
    const level = headingLevel(element);
    if (level === null || nameOf(page, element).name) return;
    const image = imagesIn(element).length > 0;
    tell({ at: element, message: image ? 'image' : 'empty', values: { level }, remedies: image ? ['fill'] : ['remove', 'fill'] });
  },
});
