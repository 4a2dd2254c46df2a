import type { Edit } from '../source/edits.ts';
import { forcedFaces, halfSetColours, inlineColours } from '../semantics/dressing.ts';
import { unwrap } from './markup.ts';
import { withoutLook } from './styling.ts';
import { decline, planned, type Remedy, type Target } from './types.ts';
import { hangsOnLooks, colourMatters } from './evidence.ts';

/** Takes a look away that is set on single pieces of the page, wherever it is set so. */
export const remedy: Remedy = {
  name: 'clear',
  label: 'Take this look away',
  certain: ['text/forced-face'],
  fields: [],
  plan(target) {
    const edits = editsFor(target);
    const evidence = hangsOnLooks(target.page, edits);
    if (evidence) return decline(evidence);
    if (target.finding.rule === 'text/forced-face' && /symbol|dingbats|wingdings|webdings/i.test(String(target.finding.values.face)))
      return decline('Letters are shown as signs in this face; without it they would be letters.');
    if (target.finding.rule !== 'text/forced-face' && target.finding.rule !== 'text/underline' && colourMatters(target.page))
      return decline('The page seems to say something by colour; settle that first.');
    return edits.length > 0 ? planned(edits) : decline('This look comes from a style sheet; fix it there.');
  },
};

function editsFor({ page, element, finding }: Target): Edit[] {
  switch (finding.rule) {
    case 'text/forced-face':
      return (forcedFaces(page).get(String(finding.values.face)) ?? []).flatMap((one) =>
        withoutLook(page, one, (property) => property === 'font-family', 'face'),
      );
    case 'text/too-many-colours':
      return [...inlineColours(page).values()].flat().flatMap((one) => withoutLook(page, one, (property) => property === 'color', 'color'));
    case 'colour/half-set':
      return (halfSetColours(page).get(`${finding.message} ${String(finding.values.value)}`) ?? []).flatMap((one) =>
        withoutLook(
          page,
          one,
          (property) => (finding.message === 'text' ? property === 'color' : property === 'background' || property === 'background-color'),
          finding.message === 'text' ? 'color' : null,
        ),
      );
    default:
      return element.tag === 'u'
        ? unwrap(element)
        : withoutLook(page, element, (property) => property === 'text-decoration' || property === 'text-decoration-line', null);
  }
}
