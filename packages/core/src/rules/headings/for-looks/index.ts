import { sections, type Section } from '../../../semantics/sections.ts';
import { countWords } from '../../../semantics/passages.ts';
import { defineRule } from '../../types.ts';

/** Words above which a heading reads like a paragraph, and above which one that ends like a sentence does. Common practice. */
const FAR_TOO_LONG = 25;
const SENTENCE = 12;
/** Headings with nothing between them before the run looks like large text. */
const RUN = 3;

export const rule = defineRule({
  id: 'headings/for-looks',
  title: 'Heading used to make text big',
  why: 'Someone browsing by headings is read whole sentences in place of a list of subjects.',
  fix: 'Make it a paragraph; if it has to stand out, use strong.',
  question: {
    ask: 'Is this text here only to look large?',
    yes: 'Yes, it is plain text',
    no: 'No, it heads what follows',
    same: ['words', 'language'],
  },
  criteria: ['1.3.1'],
  techniques: ['F43'],
  weight: 'should',
  scope: 'any',
  remedies: ['make-paragraph'],
  messages: {
    sentence: 'The level {level} heading “{text}” reads like a paragraph',
    run: '{many} level {level} headings follow one another here with nothing beneath them',
  },
  end(page, tell) {
    const all = sections(page);
    for (const { heading } of all) {
      const words = heading ? countWords(heading.name) : 0;
      if (!heading || !(words > FAR_TOO_LONG || (words > SENTENCE && /[.!]$/.test(heading.name)))) continue;
      tell({
        at: heading.element,
        message: 'sentence',
        values: { level: heading.level, text: heading.name },
        subject: heading.name,
        outcome: 'cantTell',
      });
    }
    for (const run of emptyRuns(all)) {
      const { element, level, name } = run[0]!.heading!;
      tell({ at: element, message: 'run', values: { many: run.length, level }, subject: name, outcome: 'cantTell', remedies: [] });
    }
  },
});

/** Runs of headings of one level under which nothing stands. */
function emptyRuns(all: readonly Section[]): Section[][] {
  const runs: Section[][] = [];
  let run: Section[] = [];
  for (const section of all) {
    if (!section.heading) continue;
    const empty = section.passages.length === 0 && section.things === 0;
    if (run.length > 0 && run[0]!.heading!.level === section.heading.level) run.push(section);
    else run = [section];
    if (empty) continue;
    if (run.length >= RUN) runs.push(run);
    run = [];
  }
  return run.length >= RUN ? [...runs, run] : runs;
}
