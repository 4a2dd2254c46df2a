import { outline, type Heading } from '../../../semantics/outline.ts';
import { bare } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'headings/repeated',
  title: 'Two sections with one heading',
  why: 'In the list of headings the two cannot be told apart.',
  fix: 'Give each section a heading that sets it apart from the other.',
  criteria: ['2.4.6'],
  techniques: ['G130'],
  weight: 'consider',
  scope: 'any',
  remedies: ['reword'],
  messages: { again: '“{text}” heads more than one section here' },
  end(page, tell) {
    const seen = new Map<Heading | null, Set<string>>();
    for (const heading of outline(page)) {
      const text = bare(heading.name);
      let names = seen.get(heading.under);
      if (!names) seen.set(heading.under, (names = new Set()));
      const key = `${heading.level} ${text}`;
      if (text && names.has(key)) tell({ at: heading.element, message: 'again', values: { text: heading.name }, subject: heading.name });
      names.add(key);
    }
  },
});
