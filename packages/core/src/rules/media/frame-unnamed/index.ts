import { valueOf } from '../../../document/tree.ts';
import { nameOf } from '../../../semantics/names.ts';
import { bare } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

/** Titles that tools leave behind. Common practice. */
const VAGUE = new Set([
  'iframe',
  'frame',
  'untitled',
  'untitled document',
  'embed',
  'embedded content',
  'content',
  'widget',
  'title',
  'video',
  'video player',
  'player',
  'map',
  'document',
  'page',
  'null',
  'undefined',
  'rahmen',
  'cadre',
  'marco',
  'inhalt',
]);

export const rule = defineRule({
  id: 'media/frame-unnamed',
  title: 'Frame with no title',
  why: 'A listener is told that there is a frame, and has to go into it to learn what it holds.',
  fix: 'Give the frame a title that says what is in it.',
  criteria: ['4.1.2', '2.4.1'],
  techniques: ['H64'],
  weight: 'must',
  scope: 'any',
  remedies: ['name'],
  messages: { none: 'The frame {src} has no title', vague: 'The frame’s title “{title}” fits any frame' },
  tags: ['iframe', 'frame'],
  visit(page, element, tell) {
    const src = valueOf(element, 'src') ?? '';
    const { name } = nameOf(page, element);
    if (valueOf(element, 'tabindex') === '-1' && name === '' && /^(?:about:blank)?$/.test(src)) return;
    if (!name) tell({ at: element, message: 'none', values: { src: src || 'here' }, subject: src });
    else if (VAGUE.has(bare(name)) || /\.(?:html?|php|aspx?)$/i.test(name) || /^https?:\/\//i.test(name))
      tell({ at: element, message: 'vague', values: { title: name }, subject: `${src} ${name}` });
  },
});
