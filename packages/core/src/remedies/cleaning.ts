import { descendants, has, valueOf, type CommentNode, type ElementNode } from '../document/tree.ts';
import { parseAgain, type Page } from '../document/page.ts';
import { isPasted, LOOKS, setsLooksOnly } from '../semantics/dressing.ts';
import { IN, isInside } from '../semantics/inside.ts';
import { applyChange, changeOf, type Edit } from '../source/edits.ts';
import { inlineStyle } from '../style/inline.ts';
import { dropAttribute, setAttribute, unwrap } from './markup.ts';
import { dropDeclarations } from './styling.ts';

/**
 * What takes a word processor's markup out of a page: its tags, classes, comments and looks. `kept`: elements that stay as they are, since
 * their looks say something.
 */
export function cleaningEdits(page: Page, kept: (element: ElementNode) => boolean = () => false): Edit[] {
  return [
    ...page.elements.flatMap((element) =>
      element === page.body || element === page.html || kept(element) ? [] : cleanElement(page, element),
    ),
    ...comments(page).map((node): Edit => ({ ...node.range!, text: '' })),
  ];
}

/** Whether cleaning would take a colour from an element. */
export function losesColour(element: ElementNode): boolean {
  if (!setsLooksOnly(element) && !isPasted(element)) return false;
  const style = inlineStyle(element);
  return has(element, 'color') || style.has('color') || style.has('background') || style.has('background-color');
}

function cleanElement(page: Page, element: ElementNode): Edit[] {
  if (!element.startTag) return [];
  if (/^(?:o|w|m|v|st1):/.test(element.tag)) return unwrap(element);
  if (setsLooksOnly(element)) return isInside(page, element, IN.code) ? [] : withMeaning(page, element);
  if (!isPasted(element)) return [];
  const edits: (Edit | null)[] = [
    dropDeclarations(page, element, (property) => LOOKS.has(property) || property.startsWith('mso-') || property.startsWith('-webkit-')),
  ];
  const className = valueOf(element, 'class');
  if (className !== null) {
    const kept = className
      .split(/\s+/)
      .filter((name) => name !== '' && !/^(?:x?mso|outlineelement|textrun|normaltextrun|scxw|eop)/i.test(name));
    edits.push(
      kept.length === 0
        ? dropAttribute(page, element, 'class')
        : kept.join(' ') === className
          ? null
          : setAttribute(element, 'class', kept.join(' ')),
    );
  }
  return edits.filter((edit) => edit !== null);
}

/** A span that made its text bold or slanted becomes strong or em; one that set nothing but other looks goes. */
function withMeaning(page: Page, element: ElementNode): Edit[] {
  const style = inlineStyle(element);
  const plain = isInside(page, element, IN.heading);
  const weight = style.get('font-weight') ?? '';
  const bold = !plain && (/^bold/.test(weight) || Number(weight) >= 600);
  const slanted = !plain && /italic|oblique/.test(style.get('font-style') ?? '');
  if ((!bold && !slanted) || !element.endTag) return unwrap(element);
  const open = `${bold ? '<strong>' : ''}${slanted ? '<em>' : ''}`;
  const close = `${slanted ? '</em>' : ''}${bold ? '</strong>' : ''}`;
  return [
    { ...element.startTag!, text: open },
    { ...element.endTag, text: close },
  ];
}

function comments(page: Page): CommentNode[] {
  return [...descendants(page.body)].filter(
    (node): node is CommentNode => node.kind === 'comment' && node.range !== null && /^\[(?:if|endif)/i.test(node.text),
  );
}

/** The page with some edits made; null where they cannot be. */
export function pageAfter(page: Page, edits: readonly Edit[]): Page | null {
  const change = changeOf(page.source, edits);
  const after = change.ok ? applyChange(page.source, change.value) : change;
  return after.ok ? parseAgain(page, after.value) : null;
}
