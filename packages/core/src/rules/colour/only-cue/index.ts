import { colourCueOf } from '../../../semantics/cues.ts';
import { passages } from '../../../semantics/passages.ts';
import { defineRule } from '../../types.ts';
import { colourMarks } from '../../../semantics/colourMarks.ts';

export const rule = defineRule({
  id: 'colour/only-cue',
  title: 'Something told by colour alone',
  why: 'Readers who see colours differently, or not at all, are not told.',
  fix: 'Say it in words or signs as well: “required”, a star, an underline.',
  question: {
    ask: 'Is colour the only thing that tells this?',
    yes: 'Yes, it has to be told another way too',
    no: 'No, it is plain without colour',
    same: ['words', 'language'],
  },
  criteria: ['1.4.1'],
  techniques: ['F13', 'F81', 'G14'],
  weight: 'must',
  scope: 'any',
  remedies: ['add-words'],
  messages: {
    words: 'These words lean on colour: “{cue}”',
    marked: 'Words are set in {value} here and nothing but colour tells them apart: “{text}”',
  },
  end(page, tell) {
    for (const passage of passages(page)) {
      const { block, text } = passage;
      const cue = passage.kept ? null : colourCueOf(page, passage);
      if (cue) tell({ at: block, message: 'words', values: { cue }, subject: text, outcome: 'cantTell' });
    }
    for (const { element, value, text } of colourMarks(page))
      tell({ at: element, message: 'marked', values: { value, text }, subject: `${value} ${text}`, outcome: 'cantTell' });
  },
});
