import { lookup, RULES, type Profile, type Vocabulary } from '@inkwell/core';

export interface Standard {
  selection: Profile;
  vocabulary: Vocabulary;
}

/** One thing two standards say differently: what it is about, and what each says; '' for nothing. */
export interface Difference {
  about: string;
  before: string;
  after: string;
}

const TITLES = new Map<string, string>(RULES.map(({ id, title }) => [id, title]));

/** What a standard says, by what it is about. */
function said({ selection, vocabulary }: Standard): Map<string, string> {
  const told = new Map<string, string>();
  const tell = (about: string, value: unknown): void => {
    if (value === undefined || value === null) return;
    if (Array.isArray(value)) told.set(about, [...(value as string[])].map((one) => TITLES.get(one) ?? one).join(', '));
    else if (typeof value === 'object')
      for (const [name, one] of Object.entries(value))
        tell([about, TITLES.get(name) ?? lookup(WORDS, name) ?? name].filter(Boolean).join(', '), one);
    else told.set(about, String(value));
  };
  tell('', { ...selection, name: undefined });
  tell('', vocabulary);
  return told;
}

/** What the parts of a standard are called. */
export const WORDS: Readonly<Record<string, string>> = {
  standard: 'Standard',
  level: 'Level',
  holds: 'Holds publication',
  questionsHold: 'An open question holds',
  weights: 'Weight',
  thresholds: 'Limit',
  longestAlternative: 'characters of an alternative text',
  longestLink: 'characters of a link text',
  wordsWithoutHeading: 'words without a heading',
  inlineColours: 'text colours set on single pieces',
  readingGrade: 'school years a reader needs',
  plainLinkTexts: 'Link texts taken for plain',
  twoAnswers: 'Two people answer',
  exceptions: 'May stand',
  by: 'by',
  days: 'days at most',
  contentTypes: 'Content type',
  vagueLinks: 'Link texts that say nothing',
  placeholders: 'Alternative texts that editors leave behind',
  fileNames: 'Names of files after a plan of the house (* for any characters)',
  fillers: 'Text of templates that stands in for something',
  colours: 'Colours',
  allowedClasses: 'Classes the editor writes',
};

/** What two standards say differently. */
export function differences(before: Standard, after: Standard): Difference[] {
  const [was, is] = [said(before), said(after)];
  return [...new Set([...was.keys(), ...is.keys()])]
    .filter((about) => was.get(about) !== is.get(about))
    .map((about) => ({ about, before: was.get(about) ?? '', after: is.get(about) ?? '' }));
}
