import { outline } from '../../../semantics/outline.ts';
import { bare, phrasesOf } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'headings/vague',
  title: 'Heading that says nothing',
  why: 'In the list of headings it tells nobody what its section holds.',
  fix: 'Name what the section is about.',
  criteria: ['2.4.6'],
  techniques: ['G130'],
  weight: 'should',
  scope: 'any',
  remedies: ['reword'],
  messages: { empty: 'The heading “{text}” does not say what follows' },
  end(page, tell) {
    for (const { element, name } of outline(page))
      if (name && saysNothing(name)) tell({ at: element, message: 'empty', values: { text: name }, subject: name });
  },
});

/** A placeholder, one with a number behind it, or a bare number; a year may well head a section. */
function saysNothing(name: string): boolean {
  const text = bare(name);
  if (text === '') return true;
  const vague = phrasesOf('vagueHeadings');
  return (
    vague.has(text) ||
    /^\d{1,3}$/.test(text) ||
    (vague.has(text.replace(/[\s#]*\d{1,3}$/, '').trim()) &&
      /\d$/.test(text) &&
      !/^(?:section|chapter|abschnitt|kapitel|chapitre|capítulo|sección|secção|hoofdstuk|capitolo|sezione|page|seite)/.test(text))
  );
}
