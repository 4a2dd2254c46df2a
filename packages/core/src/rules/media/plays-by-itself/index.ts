import { has, valueOf } from '../../../document/tree.ts';
import { fileOf } from '../../../semantics/media.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'media/plays-by-itself',
  title: 'Sound or motion that starts by itself',
  why: 'It drowns the voice of a screen reader, and many cannot read beside something that moves.',
  fix: 'Let the reader start it.',
  question: {
    ask: 'Does this start by itself and go on for more than a few seconds?',
    yes: 'Yes, the reader has to start it',
    no: 'No, it waits or ends at once',
    same: ['source'],
  },
  criteria: ['1.4.2', '2.2.2'],
  techniques: ['F23', 'F93'],
  weight: 'must',
  scope: 'any',
  remedies: ['stop'],
  messages: {
    sound: '{file} starts to sound by itself',
    motion: '{file} moves by itself without end, and cannot be stopped',
    frame: 'The frame “{file}” asks its player to start by itself',
  },
  tags: ['audio', 'video', 'iframe', 'bgsound'],
  visit(_page, element, tell) {
    if (element.tag === 'iframe') {
      if (/[?&]auto_?play=(?:1|true)\b/i.test(valueOf(element, 'src') ?? ''))
        tell({
          at: element,
          message: 'frame',
          values: { file: valueOf(element, 'title') ?? valueOf(element, 'src')! },
          outcome: 'cantTell',
        });
      return;
    }
    if (element.tag !== 'bgsound' && !has(element, 'autoplay')) return;
    const file = fileOf(element) || 'This recording';
    if (!has(element, 'muted')) tell({ at: element, message: 'sound', values: { file }, subject: file });
    else if (has(element, 'loop') && !has(element, 'controls')) tell({ at: element, message: 'motion', values: { file }, subject: file });
  },
});
