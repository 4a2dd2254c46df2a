import type { Page } from '../../../document/page.ts';
import { IN, FURNITURE, isInside } from '../../../semantics/inside.ts';
import { languageAt } from '../../../semantics/languages.ts';
import { usualLanguage } from '../../../semantics/pageLanguage.ts';
import { passageFact, passages, type Passage } from '../../../semantics/passages.ts';
import { added, figuresOf, gradeOf, type GradedLanguage, type TextFigures } from '../../../semantics/readability.ts';
import { defineRule, FLOORS } from '../../types.ts';

/** Words that settle it: more of the same page tells nothing new. */
const ENOUGH = 1_000;
/** Below AAA only what asks for more than a school can give is asked about: 3.1.5 is a criterion of AAA. */
const VERY_HARD = 16;
/** Shorter paragraphs are labels, items and lines of addresses. */
const RUNNING = 12;

export const rule = defineRule({
  id: 'text/hard-to-read',
  title: 'Text that asks for many years of schooling',
  why: 'Readers with little schooling, with a reading disability or in a second language give up.',
  fix: 'Use shorter sentences and plainer words, or add a plain summary.',
  question: {
    ask: 'Can this be said more plainly?',
    yes: 'Yes, or it needs a plain summary',
    no: 'No, it is as plain as its subject allows',
    same: ['words', 'language'],
  },
  criteria: ['3.1.5'],
  techniques: ['G86', 'G153'],
  weight: 'consider',
  atAAA: { weight: 'should' },
  scope: 'any',
  threshold: { measure: 'grade', limit: 'readingGrade' },
  remedies: [],
  messages: { hard: 'By its words and sentences this page asks for about {grade} years of schooling' },
  end(page, tell) {
    const running = passages(page).filter(
      (passage) =>
        !passage.kept &&
        passage.text.length > 60 &&
        passage.words >= RUNNING &&
        !isInside(page, passage.block, FURNITURE | IN.table | IN.code),
    );
    const first = running[0];
    const language = first ? (languageAt(page, first.block) || usualLanguage(page)).toLowerCase().split('-')[0]! : '';
    if (!first || !isGraded(language)) return;
    const grade = gradeOf(figuresOfAll(page, running, language), language);
    if (grade !== null && grade > FLOORS.readingGrade)
      tell({
        at: first.block,
        message: 'hard',
        values: { grade: Math.round(grade * 10) / 10, ...(grade < VERY_HARD ? { asked: 'AAA' } : {}) },
        subject: 'page',
        outcome: 'cantTell',
      });
  },
});

const FIGURES = {
  en: passageFact((_page, { text }) => figuresOf(text, 'en')),
  de: passageFact((_page, { text }) => figuresOf(text, 'de')),
};

function isGraded(language: string): language is GradedLanguage {
  return Object.hasOwn(FIGURES, language);
}

function figuresOfAll(page: Page, running: readonly Passage[], language: GradedLanguage): TextFigures {
  let all = FIGURES[language](page, running[0]!);
  for (const passage of running.slice(1)) {
    if (all.words >= ENOUGH) break;
    all = added(all, FIGURES[language](page, passage));
  }
  return all;
}
