import { sections } from '../../../semantics/sections.ts';
import { defineRule, FLOORS, USUAL_THRESHOLDS } from '../../types.ts';
import { greatest } from '../../../source/lists.ts';

export const rule = defineRule({
  id: 'headings/none-in-long-text',
  title: 'Long stretch without a heading',
  why: 'Someone who moves by headings has nothing to hold on to here and has to hear all of it to find one thing.',
  fix: 'Put a heading before each part that has a subject of its own.',
  question: {
    ask: 'Does this stretch fall into parts that deserve headings?',
    yes: 'Yes, it needs headings',
    no: 'No, it is one piece',
    same: ['piece'],
  },
  criteria: ['2.4.10', '1.3.1'],
  techniques: ['G141'],
  weight: 'should',
  scope: 'any',
  threshold: { measure: 'words', limit: 'wordsWithoutHeading' },
  remedies: ['insert-heading'],
  messages: {
    long: '{words} words run on here without a heading',
    several: '{many} stretches of this page run on without a heading, the longest for {words} words',
  },
  end(page, tell) {
    const long = sections(page)
      .map(({ heading, passages, words }) => ({ heading, words, first: passages.find((passage) => !passage.kept && passage.text !== '') }))
      .filter(({ first, words }) => first !== undefined && words > FLOORS.wordsWithoutHeading);
    // One question for those the usual measure asks about, so that a page of many is asked about once; the rest wait for a stricter house.
    const asked = long.filter(({ words }) => words > USUAL_THRESHOLDS.wordsWithoutHeading);
    const longest = asked.length > 0 ? asked : long.slice(0, 1);
    if (longest.length === 0) return;
    const { heading, first } = longest[0]!;
    tell({
      at: first!.block,
      places: longest.map((one) => one.first!.block),
      message: longest.length > 1 ? 'several' : 'long',
      values: { words: greatest(longest.map((one) => one.words)), many: longest.length },
      // It is the same stretch as long as it is under the same heading.
      subject: heading?.name ?? 'the beginning',
      outcome: 'cantTell',
    });
  },
});
