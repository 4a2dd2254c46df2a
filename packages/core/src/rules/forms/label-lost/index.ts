import { tidy, valueOf, type ElementNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { tagged } from '../../../document/tagged.ts';
import { fields, labels } from '../../../semantics/fields.ts';
import { nameOf, shownText } from '../../../semantics/names.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { bare } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'forms/label-lost',
  title: 'Label that does not reach its field',
  why: 'What is seen beside the field and what is told of it are not the same, so voice commands miss it.',
  fix: 'Let the label point to its field, once, and let the field’s name hold the words that are seen.',
  criteria: ['1.3.1', '2.5.3'],
  techniques: ['H44', 'F96'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    nowhere: 'The label “{text}” points to “{id}”, which is not on the page',
    unlike: 'The label shows “{text}” and the field is called “{name}”',
    button: 'The button shows “{text}” and is called “{name}”',
  },
  end(page, tell) {
    const words = new Map<ElementNode, string>();
    for (const { label, field, missing, text } of labels(page)) {
      if (!isExposed(page, label)) continue;
      if (missing !== null) tell({ at: label, message: 'nowhere', values: { text, id: missing }, subject: `${missing} ${text}` });
      // Several labels of one field are read one after the other, as HTML allows.
      else if (field) words.set(field, tidy(`${words.get(field) ?? ''} ${text}`));
    }
    for (const field of fields(page)) {
      const text = words.get(field);
      const { name, from } = nameOf(page, field);
      if (text && from.startsWith('aria') && !bare(name).includes(bare(text)))
        tell({ at: field, message: 'unlike', values: { text, name }, subject: `${text} ${name}` });
    }
    for (const { element, text, name } of renamedControls(page))
      tell({ at: element, message: 'button', values: { text, name }, subject: `${text} ${name}` });
  },
});

/** Buttons and links whose ARIA name leaves out the words they show. */
function renamedControls(page: Page): { element: ElementNode; text: string; name: string }[] {
  const labelled = tagged(page, 'button', 'a').filter(
    (element) => element.attributes.length > 0 && tidy(valueOf(element, 'aria-label') ?? '') !== '' && isExposed(page, element),
  );
  return labelled
    .map((element) => ({ element, text: shownText(page, element, 120), name: nameOf(page, element).name }))
    .filter(({ text, name }) => /\p{L}{2}/u.test(text) && !plain(name).includes(plain(text)));
}

/** Letters and digits only: signs and spaces are not spoken in a command. */
function plain(text: string): string {
  return text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');
}
