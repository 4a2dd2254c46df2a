import { contrastFailures } from '../semantics/contrastFailures.ts';
import { imitatedHeadings } from '../semantics/imitatedHeadings.ts';
import { cleaningEdits, losesColour, pageAfter } from './cleaning.ts';
import { colourMatters, usesSigns } from './evidence.ts';
import { decline, planned, type Remedy } from './types.ts';

/**
 * Takes out what a word processor left: its tags, classes, comments and looks. Strong, emphasis, lists, tables, links and languages stay.
 */
export const remedy: Remedy = {
  name: 'clean',
  label: 'Clean the whole page',
  certain: true,
  fields: [],
  plan({ page }) {
    const edits = cleaningEdits(page);
    if (edits.length === 0) return decline('Nothing is left to clean.');
    if (usesSigns(page.body))
      return decline('Letters are shown as signs here; without their face they would be letters. Clean it in Source.');
    if (colourMatters(page) && page.elements.some(losesColour))
      return decline('The page seems to say something by colour; settle that first.');
    const after = pageAfter(page, edits);
    if (!after || contrastFailures(after, 'AA').length > contrastFailures(page, 'AA').length)
      return decline('Without these colours some of the text would be too faint on its background; clean it in Source.');
    // A bold line may stay bold once it is clean: what matters is that it is still seen for what it may be.
    const heads = new Set(imitatedHeadings(after).map((line) => line.text));
    return imitatedHeadings(page).every((line) => heads.has(line.text))
      ? planned(edits)
      : decline('A line that may be a heading is known by these looks alone; settle that first.');
  },
};
