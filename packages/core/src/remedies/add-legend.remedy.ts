import { closest, elementParent, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { fields, inputType } from '../semantics/fields.ts';
import { escapeText, insertAt, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Puts choices into a group whose legend asks the question. */
export const remedy: Remedy = {
  name: 'add-legend',
  label: 'Add the question',
  certain: false,
  fields: [{ name: 'text', label: 'What do these choices answer?', kind: 'text' }],
  propose: () => ({ text: '' }),
  plan({ page, element }, inputs) {
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write what the choices answer.');
    const legend = `<legend>${escapeText(text)}</legend>`;
    const group = fields(page).filter(
      (field) => inputType(field) === inputType(element) && valueOf(field, 'name') === valueOf(element, 'name'),
    );
    const holder = commonParent(group);
    if (!holder) return decline(NO_SOURCE);
    if (holder.tag === 'fieldset' && holder.startTag) return planned(insertAt(holder.startTag.end, legend));
    const [first, last] = [topUnder(holder, group[0]!), topUnder(holder, group.at(-1)!)];
    const paragraph = holder.tag === 'p' ? holder : null;
    const range = paragraph?.range ?? (first.range && last.range ? { start: first.range.start, end: last.range.end } : null);
    return range && (!paragraph || paragraph.endTag)
      ? planned(insertAt(range.start, `<fieldset>${legend}`), insertAt(range.end, '</fieldset>'))
      : decline(NO_SOURCE);
  },
};

/** The nearest element around all of a group. */
function commonParent(group: readonly ElementNode[]): ElementNode | null {
  return closest(group[0]!, (up) => group.every((field) => closest(field, (one) => one === up) !== null));
}

/** The child of the holder that an element stands in. */
function topUnder(holder: ElementNode, element: ElementNode): ElementNode {
  let here = element;
  while (elementParent(here) && elementParent(here) !== holder) here = elementParent(here)!;
  return here;
}
