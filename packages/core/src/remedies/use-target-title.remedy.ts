import { tidy, valueOf } from '../document/tree.ts';
import { remedy as reword } from './reword.remedy.ts';
import { decline, type Remedy, type Target } from './types.ts';

/** Words a link after the title of the page it leads to. */
export const remedy: Remedy = {
  name: 'use-target-title',
  label: 'Use the title of its page',
  certain: false,
  fromProposal: true,
  fields: [{ name: 'text', label: 'Title of the page it leads to', kind: 'text' }],
  propose: (target) => ({ text: titleBehind(target) ?? '' }),
  plan(target, inputs) {
    const title = titleBehind(target);
    if (!title) return decline('The title of the page behind this link is not known here.');
    return reword.plan(target, { text: tidy(inputs.text ?? '') || title });
  },
};

function titleBehind({ page, element }: Target): string | undefined {
  const href = valueOf(element, 'href');
  return href ? page.surroundings.titleOf?.(href) : undefined;
}
