import { has } from '../../../document/tree.ts';
import { fileOf } from '../../../semantics/media.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'media/no-controls',
  title: 'Player without controls',
  why: 'Nobody can start, pause or turn it down, least of all from the keyboard.',
  fix: 'Show the browser’s own controls.',
  criteria: ['2.1.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['add-controls'],
  messages: { none: '{file} shows no controls' },
  tags: ['video', 'audio'],
  visit(_page, element, tell) {
    // A muted loop is scenery; what starts by itself has a note of its own.
    if (has(element, 'controls') || (has(element, 'autoplay') && has(element, 'muted'))) return;
    tell({ at: element, message: 'none', values: { file: fileOf(element) || 'This recording' }, subject: fileOf(element) });
  },
});
