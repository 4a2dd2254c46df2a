import { placeCueOf } from '../../../semantics/cues.ts';
import { passages } from '../../../semantics/passages.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'colour/sensory',
  title: 'Direction by place or shape alone',
  why: 'Someone who does not see the page, or sees it on a small screen, cannot find “the box on the right”.',
  fix: 'Name the thing by its text as well.',
  question: {
    ask: 'Is place or shape all that tells which one is meant?',
    yes: 'Yes, it has to be named too',
    no: 'No, the words name it',
    same: ['words', 'language'],
  },
  criteria: ['1.3.3'],
  techniques: ['F14', 'F26', 'G96'],
  weight: 'should',
  scope: 'any',
  remedies: ['add-words'],
  messages: { cue: 'These words lean on place or shape: “{cue}”' },
  end(page, tell) {
    for (const passage of passages(page)) {
      const { block, text } = passage;
      const cue = passage.kept ? null : placeCueOf(page, passage);
      // “On the left-hand side of the sign” is a place in the matter spoken of, and none on the page.
      if (cue && !new RegExp(`${cue.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}\\s*(?:-?hand)?\\s*side\\s+of`, 'i').test(text))
        tell({ at: block, message: 'cue', values: { cue }, subject: text, outcome: 'cantTell' });
    }
  },
});
