import { descendants, valueOf, has, type CommentNode, type ElementNode } from '../document/tree.ts';
import { parseAgain, type Page } from '../document/page.ts';
import { contrastFailures } from '../semantics/contrastFailures.ts';
import { isPasted, LOOKS, setsLooksOnly } from '../semantics/dressing.ts';
import { IN, isInside } from '../semantics/inside.ts';
import { applyChange, changeOf, type Edit } from '../source/edits.ts';
import { inlineStyle } from '../style/inline.ts';
import { dropAttribute, setAttribute, unwrap } from './markup.ts';
import { dropDeclarations } from './styling.ts';
import { decline, planned, type Remedy } from './types.ts';
import { usesSigns, colourMatters } from './evidence.ts';
import { imitatedHeadings } from '../semantics/imitatedHeadings.ts';

/**
 * Takes out what a word processor left: its tags, classes, comments and looks. Strong, emphasis, lists, tables, links and languages stay.
 */
export const remedy: Remedy = {
  name: 'clean',
  label: 'Clean the whole page',
  certain: true,
  fields: [],
  plan({ page }) {
    const edits = [
      ...page.elements.flatMap((element) => (element === page.body || element === page.html ? [] : cleanElement(page, element))),
      ...comments(page).map((node): Edit => ({ ...node.range!, text: '' })),
    ];
    if (edits.length === 0) return decline('Nothing is left to clean.');
    if (usesSigns(page.body))
      return decline('Letters are shown as signs here; without their face they would be letters. Clean it in Source.');
    if (colourMatters(page) && page.elements.some(setsColour))
      return decline('The page seems to say something by colour; settle that first.');
    const after = pageAfter(page, edits);
    if (!after || contrastFailures(after, 'AA').length > contrastFailures(page, 'AA').length)
      return decline('Without these colours some of the text would be too faint on its ground; clean it in Source.');
    // A bold line may stay bold once it is clean: what matters is that it is still seen for what it may be.
    const heads = new Set(imitatedHeadings(after).map((line) => line.text));
    return imitatedHeadings(page).every((line) => heads.has(line.text))
      ? planned(...edits)
      : decline('A line that may be a heading is known by these looks alone; settle that first.');
  },
};

/** Whether cleaning would take a colour from an element. */
function setsColour(element: ElementNode): boolean {
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

function pageAfter(page: Page, edits: readonly Edit[]): Page | null {
  const change = changeOf(page.source, edits);
  const after = change.ok ? applyChange(page.source, change.value) : change;
  return after.ok ? parseAgain(page, after.value) : null;
}
