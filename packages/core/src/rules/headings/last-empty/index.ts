import { sections } from '../../../semantics/sections.ts';
import { defineRule } from '../../types.ts';
import { isInside, FURNITURE, IN } from '../../../semantics/inside.ts';

export const rule = defineRule({
  id: 'headings/last-empty',
  title: 'Heading with nothing under it',
  why: 'Someone who jumps to it finds that the section is not there.',
  fix: 'Write the section, or take its heading out.',
  question: {
    ask: 'Should something stand under this heading?',
    yes: 'Yes, or it should go',
    no: 'No, it is right as it is',
    same: ['words', 'language'],
  },
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: [],
  messages: {
    nothing: 'Nothing stands under “{text}”',
    several: 'Nothing stands under {many} headings of this page, the first “{text}”',
  },
  end(page, tell) {
    const all = sections(page);
    const empty = all.flatMap(({ heading, passages, things }, i) => {
      if (!heading?.name || passages.length > 0 || things > 0 || isInside(page, heading.element, FURNITURE | IN.link | IN.aside)) return [];
      const next = all[i + 1]?.heading;
      return next && next.level > heading.level ? [] : [heading];
    });
    const [first] = empty;
    if (first)
      tell({
        at: first.element,
        places: empty.map((heading) => heading.element),
        message: empty.length > 1 ? 'several' : 'nothing',
        values: { text: first.name, many: empty.length },
        subject: first.name,
        outcome: 'cantTell',
      });
  },
});
