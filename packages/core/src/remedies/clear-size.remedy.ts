import { forcedSizes } from '../semantics/dressing.ts';
import { withoutLook } from './styling.ts';
import { decline, planned, type Remedy } from './types.ts';
import { hangsOnLooks } from './evidence.ts';

/** Leaves the size of text to the page: takes this forced size away wherever it stands. */
export const remedy: Remedy = {
  name: 'clear-size',
  label: 'Take this size away everywhere',
  certain: true,
  fields: [],
  plan({ page, finding }) {
    const edits = (forcedSizes(page).get(String(finding.values.size)) ?? []).flatMap((element) =>
      withoutLook(page, element, (property) => property === 'font-size' || property === 'font', 'size'),
    );
    const evidence = hangsOnLooks(page, edits);
    if (evidence) return decline(evidence);
    return edits.length > 0 ? planned(edits) : decline('This size is set in a way that cannot be taken away here; fix it in Source.');
  },
};
