import { fields, isRequired, labels, wordsBeside } from '../../../semantics/fields.ts';
import { closest, descendants, elementParent, type ElementNode } from '../../../document/tree.ts';
import { shownText } from '../../../semantics/names.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import type { Page } from '../../../document/page.ts';
import { styleOf } from '../../../style/cascade.ts';
import { hexOf } from '../../../style/colour.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'forms/required-by-colour',
  title: 'Required fields told by a star or colour alone',
  why: 'Nobody is told what the star or the red means, and a listener may hear neither.',
  fix: 'Say “required” in the label or explain the star, and mark the field as required.',
  question: {
    ask: 'Is colour all that tells which fields are required?',
    yes: 'Yes, it has to be said',
    no: 'No, it is said in words',
    same: ['piece'],
  },
  criteria: ['1.4.1', '3.3.2'],
  techniques: ['F81'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    star: 'A star at “{text}” may mean that the field is required, and no words say so',
    colour: 'The colour of “{text}” may mean that the field is required, and no words say so',
  },
  end(page, tell) {
    const byField = new Map(labels(page).map(({ label, field, text }) => [field, { label, text }]));
    for (const field of fields(page)) {
      const own = byField.get(field);
      const text = own?.text ?? wordsBeside(page, field);
      if (!own || isRequired(field) || explains(page, field)) continue;
      const star = /(?:^\s*[*†]|[*†]\s*:?\s*$)/.test(text);
      if (!star && !isColoured(page, own.label)) continue;
      tell({ at: field, message: star ? 'star' : 'colour', values: { text }, subject: text, outcome: 'cantTell' });
    }
  },
});

/** Whether the form's own words tell of required fields. */
function explains(page: Page, field: ElementNode): boolean {
  const form = closest(field, (up) => up.tag === 'form') ?? page.body;
  const text = shownText(page, form, 4_000).toLowerCase();
  return [...phrasesOf('requiredWords')].some((word) => text.includes(word));
}

/** Label text in red, unlike what is around it. */
function isColoured(page: Page, label: ElementNode): boolean {
  const around = hexOf(styleOf(page, elementParent(label)!).color);
  for (const node of descendants(label)) {
    if (node.kind !== 'text' || !/\p{L}/u.test(node.text)) continue;
    const { color } = styleOf(page, elementParent(node)!);
    if (hexOf(color) !== around && color.r > 150 && color.g < 90 && color.b < 90) return true;
  }
  return false;
}
