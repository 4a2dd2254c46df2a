import { REMEDIES, ruleOf, type Mend } from '@inkwell/core';
import type { Mends } from '@inkwell/store';

/** What is done to things of a register, in a few words. */
export function wordsForMend({ parts, renames, files }: Mends): string {
  if (files) return files;
  if (renames.length > 0)
    return renames.length === 1 ? `File renamed to ${renames[0]![1].split('/').pop()!}` : `${renames.length} files renamed`;
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
