import { defineRule } from '../../types.ts';
import { typedCaptions } from '../../../semantics/typedCaptions.ts';
export const rule = defineRule({
  id: 'images/caption-typed',
  title: 'Caption typed under an image',
  why: 'It looks like a caption and is told to nobody as the image’s own.',
  fix: 'Make the line the image’s caption.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['adopt-caption'],
  messages: {
    typed: '“{text}” is typed under the image and not tied to it',
    order: '“{text}” is out of order: the caption before it has the number {before}',
  },
  end(page, tell) {
    let before = 0;
    for (const { image, text } of typedCaptions(page)) {
      tell({ at: image, message: 'typed', values: { text }, subject: text });
      const number = Number(/\d+/.exec(text)?.[0] ?? 0);
      if (before > 0 && number > 0 && number <= before && !/\d+[.\-–]\d+/.test(text))
        tell({ at: image, message: 'order', values: { text, before }, subject: `order ${text}`, remedies: [] });
      before = number;
    }
  },
});
