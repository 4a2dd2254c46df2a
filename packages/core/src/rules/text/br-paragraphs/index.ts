import { childElements } from '../../../document/tree.ts';
import { isBlock } from '../../../semantics/blocks.ts';
import { IN, isInside } from '../../../semantics/inside.ts';
import { countWords, passages, type Passage } from '../../../semantics/passages.ts';
import type { Page } from '../../../document/page.ts';
import { defineRule } from '../../types.ts';

/** Shorter loose text may be a caption, a label or furniture. */
const LOOSE_WORDS = 5;

export const rule = defineRule({
  id: 'text/br-paragraphs',
  title: 'Paragraphs without markup',
  why: 'A listener cannot go from paragraph to paragraph, for there is only one, or none.',
  fix: 'Make a paragraph of each piece.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['make-paragraphs'],
  messages: { breaks: 'Double line breaks stand in place of paragraphs here', loose: 'This text stands in no paragraph: “{text}”' },
  end(page, tell) {
    for (const passage of passages(page)) {
      if (passage.kept || isInside(page, passage.block, IN.code | IN.address | IN.button | IN.label)) continue;
      if (hasDoubleBreak(passage)) tell({ at: passage.block, message: 'breaks', subject: passage.text });
      else if (isLoose(page, passage))
        tell({
          at: passage.block,
          message: 'loose',
          values: { text: passage.text },
          subject: passage.text,
          ...(passage.first.range && passage.last.range
            ? { range: { start: passage.first.range.start, end: passage.last.range.end } }
            : {}),
        });
    }
  },
});

/** Two breaks in a row with running text on both sides. */
function hasDoubleBreak({ text, breaks }: Passage): boolean {
  if (breaks.length < 2) return false;
  const parts = text.split(/\n{2,}/).filter((part) => countWords(part) >= 3);
  return parts.length >= 2 && /\n\n/.test(text) && !/\n\n\n/.test(text);
}

/** Text directly in the body, or beside blocks in a part of the page that holds blocks. */
function isLoose(page: Page, { block, words, last }: Passage): boolean {
  if (words < LOOSE_WORDS || !last.range) return false;
  if (block === page.body) return true;
  return ['main', 'article', 'section'].includes(block.tag) && childElements(block).some(isBlock);
}
