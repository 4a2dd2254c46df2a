import { attributeOf, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import type { Edit } from '../source/edits.ts';
import { dropAttribute, setAttribute, unwrap } from './markup.ts';

/** One declaration of a style attribute as it is written. */
export interface Written {
  /** Lower case. */
  property: string;
  text: string;
}

/** The declarations of a style attribute, in order, as written; strings and brackets keep their semicolons. */
export function writtenStyle(element: ElementNode): Written[] {
  const value = attributeOf(element, 'style')?.value ?? '';
  const parts: string[] = [];
  let [from, depth, quote] = [0, 0, ''];
  for (let i = 0; i < value.length; i++) {
    const sign = value[i]!;
    if (quote) quote = sign === quote ? '' : quote;
    else if (sign === '"' || sign === "'") quote = sign;
    else if (sign === '(') depth++;
    else if (sign === ')') depth--;
    else if (sign === ';' && depth <= 0) {
      parts.push(value.slice(from, i));
      from = i + 1;
    }
  }
  parts.push(value.slice(from));
  return parts
    .map((text) => text.trim())
    .filter((text) => text !== '')
    .map((text) => ({
      property: text
        .slice(0, Math.max(0, text.indexOf(':')))
        .trim()
        .toLowerCase(),
      text,
    }));
}

/**
 * Takes declarations out of a style attribute, and the attribute with the last of them; null when there is nothing to take or no source.
 */
export function dropDeclarations(page: Page, element: ElementNode, drops: (property: string) => boolean): Edit | null {
  const all = writtenStyle(element);
  const left = all.filter((one) => !drops(one.property));
  if (left.length === all.length || !element.startTag) return null;
  return left.length === 0 ? dropAttribute(page, element, 'style') : setAttribute(element, 'style', left.map((one) => one.text).join('; '));
}

/** Sets one property in a style attribute, in place of what it said before. */
export function setDeclaration(element: ElementNode, property: string, value: string): Edit | null {
  const kept = writtenStyle(element)
    .filter((one) => one.property !== property)
    .map((one) => one.text);
  return setAttribute(element, 'style', [...kept, `${property}: ${value}`].join('; '));
}

/**
 * An element without a look of its own: without some properties, and a font tag without the attribute that sets the look. A font or
 * span tag that says nothing else goes with it. No edits where nothing sets that look here.
 */
export function withoutLook(
  page: Page,
  element: ElementNode,
  drops: (property: string) => boolean,
  fontAttribute: 'face' | 'color' | 'size' | null,
): Edit[] {
  const edit =
    element.tag === 'font' && fontAttribute ? dropAttribute(page, element, fontAttribute) : dropDeclarations(page, element, drops);
  if (!edit) return [];
  const empties = element.attributes.length === 1 && writtenStyle(element).every((one) => drops(one.property));
  return empties && (element.tag === 'font' || element.tag === 'span') ? unwrap(element) : [edit];
}
