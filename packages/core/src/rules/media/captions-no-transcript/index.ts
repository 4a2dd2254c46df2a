import { defineRule } from '../../types.ts';
import { hasTrack, hasTranscriptNear, fileOf } from '../../../semantics/media.ts';
export const rule = defineRule({
  id: 'media/captions-no-transcript',
  title: 'Captioned video with no transcript',
  why: 'Someone who neither sees nor hears it, or wants to search it, has no text to read.',
  fix: 'Put the text of the recording, or a link to it, beside the video.',
  question: {
    ask: 'Should a text of this recording be added?',
    yes: 'Yes, there is none',
    no: 'No, readers can find it',
    same: ['source'],
  },
  criteria: ['1.2.3'],
  techniques: ['G69'],
  weight: 'consider',
  atAAA: { weight: 'should' },
  scope: 'any',
  remedies: ['add-transcript-link'],
  messages: {
    none: '{file} has captions, and no transcript stands near it',
  },
  tags: ['video'],
  visit(page, element, tell) {
    if (!hasTrack(element, ['captions', 'subtitles']) || hasTranscriptNear(page, element)) return;
    tell({
      at: element,
      message: 'none',
      values: { file: fileOf(element) || 'This video' },
      subject: fileOf(element),
      outcome: 'cantTell',
    });
  },
});
