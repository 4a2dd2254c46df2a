import { has, valueOf } from '../../../document/tree.ts';
import { fileOf, hasTrack, isPlayerFrame } from '../../../semantics/media.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'media/no-captions',
  title: 'Video without captions',
  why: 'Someone who does not hear it misses all that is said and sounds.',
  fix: 'Add captions that follow the sound.',
  question: {
    ask: 'Does this video need captions?',
    yes: 'Yes, it has sound and no captions',
    no: 'No, it is captioned or silent',
    same: ['source'],
  },
  criteria: ['1.2.2'],
  techniques: ['G87', 'H95', 'F8'],
  weight: 'must',
  scope: 'any',
  remedies: [],
  messages: {
    video: 'The video {file} has no track of captions',
    embedded: 'Whether the recording in the frame “{file}” has captions cannot be seen from here',
  },
  tags: ['video', 'iframe'],
  visit(_page, element, tell) {
    if (element.tag === 'iframe') {
      if (isPlayerFrame(element))
        tell({
          at: element,
          message: 'embedded',
          values: { file: valueOf(element, 'title') ?? valueOf(element, 'src') ?? '' },
          outcome: 'cantTell',
        });
      return;
    }
    if (has(element, 'muted') && has(element, 'loop')) return;
    // Captions may also be part of the image: only someone who looks can tell.
    if (!hasTrack(element, ['captions', 'subtitles']))
      tell({ at: element, message: 'video', values: { file: fileOf(element) || 'here' }, subject: fileOf(element), outcome: 'cantTell' });
  },
});
