import { imitatedHeadings, type ImitatedHeading } from '../../../semantics/imitatedHeadings.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'headings/imitated',
  title: 'Bold line in place of a heading',
  why: 'Someone browsing by headings passes straight over it: it looks like a heading and is told to nobody as one.',
  fix: 'Make the line a real heading at the level that fits; its look follows by itself.',
  question: {
    ask: 'Does this line head what comes after it?',
    yes: 'Yes, it is a heading',
    no: 'No, it is only emphasis',
    same: ['words', 'language'],
  },
  criteria: ['1.3.1'],
  techniques: ['F2', 'H42'],
  weight: 'must',
  scope: 'any',
  remedies: ['make-heading'],
  messages: {
    bold: 'The bold line “{text}” looks like a heading but is not one',
    large: 'The large line “{text}” looks like a heading but is not one',
    capitals: 'The line in capitals, “{text}”, looks like a heading but is not one',
    lead: 'The bold line “{text}” seems to head the text that follows it in the same paragraph',
  },
  end(page, tell) {
    const doubtful = new Map<string, ImitatedHeading[]>();
    for (const line of imitatedHeadings(page)) {
      if (line.sure) tell({ at: line.element, message: line.look, values: { text: line.text }, subject: line.text });
      else doubtful.set(line.text, [...(doubtful.get(line.text) ?? []), line]);
    }
    // The same words over and over are one question: “Note”, “Example”.
    for (const [text, lines] of doubtful)
      tell({
        at: lines[0]!.element,
        places: lines.map((line) => line.element),
        message: lines[0]!.look,
        values: { text },
        subject: text,
        outcome: 'cantTell',
        weight: 'should',
      });
  },
});
