import { valueOf } from '../document/tree.ts';
import { likeness } from '../semantics/likeness.ts';
import { anchorOf } from '../semantics/links.ts';
import { outline } from '../semantics/outline.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy, type Target } from './types.ts';
import { greatest } from '../source/lists.ts';

/** Puts the place a link leads to at a heading of the page. */
export const remedy: Remedy = {
  name: 'add-anchor',
  label: 'Put the place at a heading',
  certain: false,
  needs: ['heading'],
  fields: ({ page }) => [
    {
      name: 'heading',
      label: 'It should lead to',
      kind: 'choice',
      options: outline(page).map((heading, i) => ({ value: String(i), label: heading.name })),
    },
  ],
  propose: (target) => ({ heading: String(likeliest(target)) }),
  plan(target, inputs) {
    const heading = outline(target.page)[Number(inputs.heading ?? likeliest(target))];
    if (!heading) return decline('The page has no heading to lead to.');
    const own = valueOf(heading.element, 'id');
    const edit = own
      ? setAttribute(target.element, 'href', `#${own}`)
      : setAttribute(heading.element, 'id', anchorOf(valueOf(target.element, 'href') ?? ''));
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};

/** The heading whose words are most like those of the link and of the place it names. */
function likeliest({ page, finding }: Target): number {
  const words = `${String(finding.values.text ?? '')} ${String(finding.values.anchor ?? '').replace(/[-_]+/g, ' ')}`;
  const scores = outline(page).map((heading) => likeness(words, heading.name));
  return Math.max(0, scores.indexOf(greatest(scores)));
}
