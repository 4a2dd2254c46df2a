import { IN, FURNITURE, isInside } from '../../../semantics/inside.ts';
import { languageAt } from '../../../semantics/languages.ts';
import { usualLanguage } from '../../../semantics/pageLanguage.ts';
import { passages } from '../../../semantics/passages.ts';
import { gradeOf } from '../../../semantics/readability.ts';
import { defineRule, FLOORS } from '../../types.ts';

/** Characters that settle it: more of the same page tells nothing new. */
const ENOUGH = 6_000;
/** Shorter paragraphs are labels, items and lines of addresses. */
const RUNNING = 12;

export const rule = defineRule({
  id: 'text/hard-to-read',
  title: 'Text that asks for many years of schooling',
  why: 'Readers with little schooling, with a reading disability or in a second language give up.',
  fix: 'Use shorter sentences and plainer words, or add a plain summary.',
  question: { ask: 'Can this be said more plainly?', yes: 'Yes, or it needs a plain summary', no: 'No, it is as plain as its subject allows' },
  criteria: ['3.1.5'],
  techniques: ['G86', 'G153'],
  weight: 'consider',
  atAAA: { weight: 'should' },
  scope: 'any',
  threshold: { measure: 'grade', limit: 'readingGrade' },
  remedies: [],
  messages: { hard: 'By its words and sentences this page asks for about {grade} years of schooling' },
  end(page, tell) {
    const running = passages(page).filter((passage) => !passage.kept && passage.text.length > 60 && passage.words >= RUNNING && !isInside(page, passage.block, FURNITURE | IN.table | IN.code));
    const first = running[0];
    if (!first) return;
    const text = running.map((passage) => passage.text).join('\n').slice(0, ENOUGH);
    const grade = gradeOf(text, languageAt(page, first.block) || usualLanguage(page));
    if (grade !== null && grade > FLOORS.readingGrade) tell({ at: first.block, message: 'hard', values: { grade: Math.round(grade * 10) / 10 }, subject: 'page', outcome: 'cantTell' });
  },
});
