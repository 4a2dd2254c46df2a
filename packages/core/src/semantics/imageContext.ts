import { childElements, closestWithin, elementsIn, rawText, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { remembered } from '../document/remembered.ts';
import { bare } from '../standards/phrases/index.ts';
import { shownText } from './names.ts';
import { passagesByBlock, type Passage } from './passages.ts';
import { addressOf, fileNameOf, writtenAlternative } from './images.ts';
import { blockAround } from './blocks.ts';
import { isExposed } from './visibility.ts';

/** The page's `img` elements that are told to readers. */
export const images = fact((page: Page) => tagged(page, 'img').filter((element) => isExposed(page, element)), carried);

/** The figure an image stands in, and its caption's text; '' when it has none. */
export function figureOf(page: Page, image: ElementNode): { figure: ElementNode; caption: string } | null {
  const figure = closestWithin(image, 6, (up) => up.tag === 'figure');
  const caption = figure && childElements(figure).find((child) => child.tag === 'figcaption');
  return figure && { figure, caption: caption ? shownText(page, caption) : '' };
}

/** The passage an image stands in. */
export function passageOf(page: Page, image: ElementNode): Passage | null {
  const block = blockAround(image);
  const all = block ? (passagesByBlock(page).get(block) ?? []) : [];
  return all.length === 1
    ? all[0]!
    : (all.find(
        (passage) =>
          passage.images > 0 &&
          passage.first.range &&
          image.range &&
          passage.first.range.start <= image.range.start &&
          (passage.last.range?.end ?? Infinity) >= image.range.end,
      ) ?? null);
}

/** Whether an image is all its block shows. */
export function standsAlone(page: Page, image: ElementNode): boolean {
  const passage = passageOf(page, image);
  return passage !== null && passage.text === '' && passage.images === 1;
}

/** Width and height as the attributes say, in px; 0 where they do not. */
export function sizeOf(image: ElementNode): { width: number; height: number } {
  const number = (name: string) => Number(/^\s*(\d+)(?:px)?\s*$/.exec(valueOf(image, name) ?? '')?.[1] ?? 0);
  return { width: number('width'), height: number('height') };
}

/** The words of an image's file name, lower case. */
export function fileWordsOf(image: ElementNode): readonly string[] {
  return wordsOfName(fileNameOf(addressOf(image)));
}

const wordsOfName = remembered((name): readonly string[] =>
  name
    .replace(/\.[a-z0-9]{2,5}$/i, '')
    .replace(/(\p{Ll})(\p{Lu})/gu, '$1 $2')
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length > 1),
);

/** Whether one of some phrases stands in a text as words of its own. */
export function holdsWord(text: string, phrases: ReadonlySet<string>): string | null {
  let sought = expressions.get(phrases);
  if (!sought)
    expressions.set(phrases, (sought = new RegExp(`(?<= )(?:${[...phrases].map((one) => inWords(one).trim()).join('|')})(?= )`, 'u')));
  return sought.exec(inWords(text.toLowerCase()))?.[0] ?? null;
}

/** One expression for each list of phrases: there are some hundreds. */
const expressions = new WeakMap<ReadonlySet<string>, RegExp>();

function inWords(text: string): string {
  return ` ${text.replace(/[^\p{L}\p{N}]+/gu, ' ')} `;
}

/** An alternative without case, stops and outer signs, for comparing. */
export function plainAlternative(image: ElementNode): string {
  return bare(writtenAlternative(image) ?? '');
}

/** Whether words near an image say at length what it shows: a description it refers to, a long caption, a table or details beside it. */
export function isDescribedNear(page: Page, image: ElementNode): boolean {
  if (['aria-describedby', 'aria-details', 'longdesc'].some((name) => tidy(valueOf(image, name) ?? '') !== '')) return true;
  const figure = figureOf(page, image);
  const whole = figure?.figure ?? blockAround(image);
  if (figure && figure.caption.split(' ').length >= LONG_CAPTION) return true;
  if (figure && [...elementsIn(figure.figure)].some((inner) => inner.tag === 'table' || inner.tag === 'details')) return true;
  const next = whole?.parent?.children.slice(whole.index + 1).find((node): node is ElementNode => node.kind === 'element');
  return (
    next !== undefined &&
    (next.tag === 'table' ||
      next.tag === 'details' ||
      (['p', 'div', 'section', 'ul', 'ol', 'dl'].includes(next.tag) && rawText(next).length > LONG_TEXT))
  );
}

/** Words of a caption that can tell what a chart shows; characters of a paragraph after it that can. Common practice. */
const LONG_CAPTION = 15;
const LONG_TEXT = 240;
