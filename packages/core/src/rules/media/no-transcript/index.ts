import { tagged } from '../../../document/tagged.ts';
import { fileOf, hasTranscriptNear } from '../../../semantics/media.ts';
import { links } from '../../../semantics/links.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'media/no-transcript',
  title: 'Recording without its text',
  why: 'Someone who does not hear it is left with nothing, and nobody can search or skim it.',
  fix: 'Write down what is said and what can be heard, and put it, or a link to it, beside the recording.',
  question: {
    ask: 'Does a text of this recording have to be written?',
    yes: 'Yes, there is none',
    no: 'No, readers can find it',
    same: ['source'],
  },
  criteria: ['1.2.1'],
  techniques: ['G158', 'G159'],
  weight: 'must',
  scope: 'any',
  remedies: ['add-transcript-link'],
  messages: { sound: 'No transcript of {file} stands near it', linked: 'No transcript of the linked recording {file} stands near it' },
  end(page, tell) {
    for (const element of tagged(page, 'audio'))
      if (!hasTranscriptNear(page, element))
        tell({
          at: element,
          message: 'sound',
          values: { file: fileOf(element) || 'this recording' },
          subject: fileOf(element),
          outcome: 'cantTell',
        });
    for (const { element, href } of links(page)) {
      const file = /([^/?#]+\.(?:mp3|wav|ogg|m4a|flac))(?:[?#]|$)/i.exec(href)?.[1];
      if (file && !hasTranscriptNear(page, element))
        tell({ at: element, message: 'linked', values: { file }, subject: href, outcome: 'cantTell' });
    }
  },
});
