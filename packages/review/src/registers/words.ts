import { REMEDIES, ruleOf, type Mend } from '@inkwell/core';
import type { Mends } from '@inkwell/store';

/** What is done to things of a register, in a few words. */
export function wordsForMend({ parts, renames, files }: Mends): string {
  if (files) return files;
  // In a course a file also has the name its pages call it by.
  const named = renames.filter(([from]) => !renames.some(([other]) => other !== from && from.endsWith(`/${other}`)));
  if (named.length > 0) return named.length === 1 ? `File renamed to ${named[0]![1].split('/').pop()!}` : `${named.length} files renamed`;
  const kinds = [...new Set(parts.map(({ mend }) => wordsFor(mend)))];
  return kinds.length === 1 ? kinds[0]! : `${kinds.length} changes in a register`;
}

function wordsFor(mend: Mend): string {
  switch (mend.do) {
    case 'describe':
      if (mend.alternative === undefined) return 'Image captioned';
      return mend.alternative === '' ? 'Image marked as decorative' : 'Image described';
    case 'replace':
      return 'Image replaced';
    case 'text':
      return 'Link text written';
    case 'lead':
      return 'Link led elsewhere';
    case 'same window':
      return 'Link kept in its window';
    case 'level':
      return `Heading set to level ${mend.level}`;
    case 'fix':
      return `${ruleOf(mend.rule)?.title ?? mend.rule} (${REMEDIES[mend.remedy].label.toLowerCase()})`;
    case 'certain':
      return 'What is certain, fixed';
  }
}
