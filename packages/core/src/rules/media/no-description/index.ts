import { has, valueOf } from '../../../document/tree.ts';
import { fileOf, hasTrack, hasTranscriptNear, isPlayerFrame } from '../../../semantics/media.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'media/no-description',
  title: 'Video whose images may go undescribed',
  why: 'Someone who does not see it misses what is only shown.',
  fix: 'Let the speaker say what is shown, or add a described version or a full text.',
  question: {
    ask: 'Is anything important only shown, and neither said nor described?',
    yes: 'Yes, it has to be described',
    no: 'No, the sound tells it all',
    same: ['source'],
  },
  criteria: ['1.2.3', '1.2.5'],
  techniques: ['G78', 'G8'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: { video: 'Is what {file} only shows told in words?' },
  tags: ['video', 'iframe'],
  visit(page, element, tell) {
    const player = element.tag === 'video' ? !(has(element, 'muted') && has(element, 'loop')) : isPlayerFrame(element);
    if (!player || hasTrack(element, ['descriptions']) || hasTranscriptNear(page, element)) return;
    const file = element.tag === 'video' ? fileOf(element) : (valueOf(element, 'title') ?? valueOf(element, 'src') ?? '');
    tell({ at: element, message: 'video', values: { file: file || 'this video' }, subject: file, outcome: 'cantTell' });
  },
});
