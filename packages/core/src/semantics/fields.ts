import { childElements, closest, elementsIn, has, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { elementsById } from './ids.ts';
import { shownText } from './names.ts';
import { isExposed } from './visibility.ts';

const NOT_FIELDS = new Set(['hidden', 'submit', 'button', 'reset', 'image']);

export function inputType(field: ElementNode): string {
  return field.tag === 'input' ? (valueOf(field, 'type') ?? 'text').trim().toLowerCase() : field.tag;
}

/** Fields a person fills in, told to readers, in document order. */
export const fields = fact(
  (page: Page) =>
    tagged(page, 'input', 'select', 'textarea').filter((element) => !NOT_FIELDS.has(inputType(element)) && isExposed(page, element)),
  carried,
);

/** The labels of the page with the field each belongs to; `missing` names the id it points to in vain. */
export const labels = fact((page: Page) =>
  tagged(page, 'label').map((label) => {
    const target = valueOf(label, 'for');
    const field =
      target === null
        ? ([...elementsIn(label)].find((inner) =>
            ['input', 'select', 'textarea', 'button', 'meter', 'progress', 'output'].includes(inner.tag),
          ) ?? null)
        : (elementsById(page).get(target) ?? null);
    return { label, field, missing: target !== null && field === null ? target : null, text: shownText(page, label, 200) };
  }),
);

/** Text right beside a field that no label holds: what its maker most likely meant as one. */
export function wordsBeside(page: Page, field: ElementNode): string {
  const siblings = field.parent!.children;
  const order = ['checkbox', 'radio'].includes(inputType(field)) ? [1, -1] : [-1, 1];
  for (const step of order) {
    for (let at = field.index + step; at >= 0 && at < siblings.length; at += step) {
      const node = siblings[at]!;
      if (node.kind === 'comment' || (node.kind === 'element' && node.tag === 'br')) continue;
      const text =
        node.kind === 'text'
          ? tidy(node.text)
          : ['label', 'b', 'strong', 'span', 'em', 'i', 'p'].includes(node.tag)
            ? shownText(page, node, 100)
            : '';
      if (text) return text.replace(/[\s:*]+$/, '').slice(0, 80);
      if (node.kind === 'element') break;
    }
  }
  const cell = closest(field, (up) => up.tag === 'td');
  const before = cell ? childElements(cell.parent!)[childElements(cell.parent!).indexOf(cell) - 1] : undefined;
  return before ? shownText(page, before, 100).replace(/[\s:*]+$/, '') : tidy(valueOf(field, 'placeholder') ?? '');
}

export function isRequired(field: ElementNode): boolean {
  return has(field, 'required') || valueOf(field, 'aria-required') === 'true';
}
