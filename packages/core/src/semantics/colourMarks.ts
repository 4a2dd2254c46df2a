import { valueOf, elementParent, type ElementNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { isSeen } from './visibility.ts';
import { isInside, IN, FURNITURE } from './inside.ts';
import { shownText } from './names.ts';
import { countWords } from './passages.ts';
import { styleOf } from '../style/cascade.ts';
import { hexOf } from '../style/colour.ts';
import { blockAround } from './blocks.ts';
/** Words in running text that only a colour of their own sets apart. */
export interface ColourMark {
  element: ElementNode;
  value: string;
  text: string;
}

/** The first piece of text in each colour, in document order. */
export const colourMarks = fact((page: Page): ColourMark[] => {
  const seen = new Set<string>();
  const marks: ColourMark[] = [];
  for (const element of tagged(page, ...DRESSED)) {
    const found = element.attributes.length > 0 ? markedBy(page, element) : null;
    if (!found || seen.has(found.value)) continue;
    seen.add(found.value);
    marks.push({ element, ...found });
  }
  return marks;
});

const DRESSED = new Set(['span', 'font']);

/** A few words in running text with a colour of their own and nothing else that sets them apart. */
function markedBy(page: Page, element: ElementNode): { value: string; text: string } | null {
  if (!/(?:^|[;\s])color\s*:/i.test(valueOf(element, 'style') ?? '') && valueOf(element, 'color') === null) return null;
  if (!isSeen(page, element) || isInside(page, element, IN.link | IN.code | IN.heading | FURNITURE) || isExplained(element)) return null;
  const text = shownText(page, element, 200);
  if (!/\p{L}/u.test(text) || countWords(text) > FEW_WORDS || !standsInText(page, element, text)) return null;
  const [own, around] = [styleOf(page, element), styleOf(page, elementParent(element)!)];
  const alike =
    own.fontWeight === around.fontWeight &&
    own.italic === around.italic &&
    own.underlined === around.underlined &&
    own.background.a === 0 &&
    hexOf(own.color) !== hexOf(around.color);
  return alike && element.children.every((child) => child.kind !== 'element' || DRESSED.has(child.tag))
    ? { value: hexOf(own.color), text }
    : null;
}

const FEW_WORDS = 8;

/** Words in brackets right behind say what the colour says. */
function isExplained(element: ElementNode): boolean {
  const next = element.parent!.children[element.index + 1];
  return next?.kind === 'text' && /^\s*\(/.test(next.text);
}

function standsInText(page: Page, element: ElementNode, text: string): boolean {
  const block = blockAround(element);
  return block !== null && countWords(shownText(page, block, 400)) >= countWords(text) + 4;
}
