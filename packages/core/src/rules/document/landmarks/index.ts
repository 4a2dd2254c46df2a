import { groupedBy } from '../../../document/grouped.ts';
import { IN, isInside } from '../../../semantics/inside.ts';
import { landmarks } from '../../../semantics/landmarks.ts';
import { passages } from '../../../semantics/passages.ts';
import { closest } from '../../../document/tree.ts';
import { defineRule } from '../../types.ts';

/** Loose content of fewer words is a line of furniture. */
const MUCH = 12;
const SINGLE = new Set(['main', 'banner', 'contentinfo']);

export const rule = defineRule({
  id: 'document/landmarks',
  title: 'Landmarks that do not guide',
  why: 'Someone who jumps between landmarks meets several of one kind that cannot be told apart, or misses what lies outside of all.',
  fix: 'Name landmarks that stand more than once, and let no content lie outside.',
  criteria: ['1.3.1', '2.4.1'],
  techniques: ['ARIA11'],
  practice: true,
  weight: 'consider',
  scope: 'document',
  remedies: [],
  messages: {
    several: 'There are {many} landmarks of the kind “{role}”, and this one is not named apart',
    twice: 'There is more than one “{role}” on the page',
    outside: 'This content lies outside of all landmarks: “{text}”',
  },
  end(page, tell) {
    const all = landmarks(page);
    const byRole = groupedBy(all, (landmark) => landmark.role);
    for (const [role, same] of byRole) {
      if (same.length < 2) continue;
      if (SINGLE.has(role)) tell({ at: same[1]!.element, message: 'twice', values: { role }, subject: role });
      else
        for (const [i, { element, name }] of same.entries())
          if (!name && same.some((other, j) => j !== i && !other.name))
            tell({ at: element, message: 'several', values: { role, many: same.length }, subject: `${role} ${i}` });
    }
    // Where nothing is marked at all, the missing main is the note.
    if (!byRole.has('main')) return;
    const roots = new Set(all.map((landmark) => landmark.element));
    const loose = passages(page).find(
      (passage) =>
        passage.words >= MUCH &&
        !isInside(page, passage.block, IN.main | IN.nav | IN.aside) &&
        !roots.has(passage.block) &&
        !closest(passage.block, (up) => roots.has(up)),
    );
    if (loose) tell({ at: loose.block, message: 'outside', values: { text: loose.text }, subject: loose.text });
  },
});
