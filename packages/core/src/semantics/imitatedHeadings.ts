import { closest, elementParent, elementsIn, tidy, type ElementNode, type TreeNode } from '../document/tree.ts';
import { fact, type Page } from '../document/page.ts';
import { HEADING_TAGS, isBlock, isLeafBlock } from './blocks.ts';
import { IN, isInside } from './inside.ts';
import { sharedLooks, type Looks } from './looks.ts';
import { markersOf } from './markers.ts';
import { shownText } from './names.ts';
import { countWords, passages, type Passage } from './passages.ts';
import { controlAround, roleOf } from './roles.ts';
import { isExposed } from './visibility.ts';
import { showsNothing } from './lists.ts';

export interface ImitatedHeading {
  /** The block, or the inline element that holds the line where the block holds more. */
  element: ElementNode;
  text: string;
  look: 'bold' | 'large' | 'capitals' | 'lead';
  /** Beyond doubt; else it is asked about. */
  sure: boolean;
}

/** Where a bold line is rightly something else than a heading. */
const NOT_THERE = new Set(
  (
    'table dt dd figure figcaption blockquote label legend caption button summary header footer nav address form fieldset ' +
    HEADING_TAGS.join(' ')
  ).split(' '),
);
/** Words that open a remark; set in bold they stress more often than they head. */
const REMARK =
  /^(?:note|nb|n\.b|tip|hint|warning|caution|important|attention|remember|please note|see also|see|example|answer|question|q|a|hinweis|achtung|wichtig|beispiel|frage|antwort|remarque|avertissement|exemple|nota|aviso|importante|ejemplo|let op|opmerking|voorbeeld|attenzione|esempio|exemplo|пример|примечание|внимание|注意|警告|例)\s*\d*\s*[!:.]*$/i;
/** Such a word, a colon, and what introduces the example or listing that follows. */
const INTRODUCES = new RegExp(`${REMARK.source.replace(/\\s\*\\d\*.*$/, '')}\\s*\\d*\\s*:.*:$`, 'i');
/** An option of a command, or a command with options, as manuals of programs set them. */
const COMMAND = /^-{1,2}\p{L}|\s(?:-\p{L}|--\p{L}[\p{L}-]+)(?=[\s,=[\]]|$)/u;
/** A section number, as headings bear. */
const SECTION = /^\d+(?:\.\d+)+\.?\s/;
/** A line of someone's name, a date, a price, rights: bold for its look, and heading nothing. */
const BYLINE =
  /^(?:by|von|par|por|di|da|door|from|©|\(c\)|copyright)\s|@|^\W*(?:[$€£¥]\s*\d|\d[\d.,]*\s*(?:[$€£¥]|eur|usd))|^\d{1,4}[-./ ]\d{1,2}[-./ ]\d{1,4}$|\b(?:all rights reserved|copyright)\b/i;
/** Code, file names and commands are set in bold as what they are. */
const CODE_LIKE = /^[\w./\\:~$#<>*=+-]+$/;
/** A word and a number, in either order and any script, as captions of figures, tables and listings have. */
const NUMBERED = /^(?:\p{L}[\p{L}.]{0,20}[\s\u00a0]{0,2}[([]?[A-Z]?\d+(?:[.\-–:]\d+)*|\d+(?:[.\-–]\d+)*\.?[\s\u00a0]+\p{L}+\s*[-–—:])/u;
/** Longest heading that is beyond doubt, and longest that is worth a question, in words. Common practice. */
const SURE_WORDS = 10;
const LIKELY_WORDS = 16;
const LONGEST = 140;

/** Lines that look like headings and are none, in document order. */
export const imitatedHeadings = fact((page: Page): ImitatedHeading[] => {
  const found: ImitatedHeading[] = [];
  for (const passage of passages(page)) {
    if (passage.kept || passage.text === '' || isTooLong(passage)) continue;
    const one = headingIn(page, passage);
    if (one) found.push(one);
  }
  return withSeries(found);
});

/** Bold lines with section numbers, three or more, bear each other out. */
function withSeries(found: ImitatedHeading[]): ImitatedHeading[] {
  const numbered = (line: ImitatedHeading) => line.look !== 'lead' && line.look !== 'capitals' && SECTION.test(line.text);
  return found.filter(numbered).length < 3 ? found : found.map((line) => (numbered(line) ? { ...line, sure: true } : line));
}

/** Most passages are settled by this: a line longer than any heading. */
function isTooLong({ text, words, breaks }: Passage): boolean {
  return breaks.length === 0 && (words > LIKELY_WORDS || text.length > LONGEST);
}

function headingIn(page: Page, passage: Passage): ImitatedHeading | null {
  const { block } = passage;
  if (isOut(page, block)) return null;
  if (isLine(passage))
    return isLeafBlock(page, block) && HOLDERS.has(block.tag) ? wholeBlock(page, block, passage) : looseLine(page, passage);
  return leadIn(page, passage);
}

const HOLDERS = new Set(['p', 'div', 'center']);
const LOOSE_IN = new Set(['body', 'div', 'section', 'article', 'main', 'center']);

/** One line: its breaks, if it has any, only end it. */
function isLine({ text }: Passage): boolean {
  return !text.trim().includes('\n');
}

function isOut(page: Page, block: ElementNode): boolean {
  return (
    NOT_THERE.has(block.tag) ||
    isInside(page, block, IN.nav | IN.header | IN.footer | IN.heading | IN.code | IN.caption | IN.label | IN.button | IN.link) ||
    closest(block, (up) => NOT_THERE.has(up.tag)) !== null ||
    controlAround(page, block) !== null ||
    ['heading', 'button', 'link', 'tab'].includes(roleOf(block) ?? '')
  );
}

function wholeBlock(page: Page, block: ElementNode, passage: Passage): ImitatedHeading | null {
  const looks = sharedLooks(page, block);
  const look = looks && lookOf(looks);
  const text = tidy(passage.text);
  if (!look || !couldHead(page, block, text) || (look !== 'large' && isCodeLike(text))) return null;
  const next = nextBlock(page, outermost(page, block));
  if (!next || isCaptionOf(page, text, next) || isMidSentence(page, block, next)) return null;
  // An item's own bold line heads the item, if anything: whoever wrote it has to say.
  const sure = !isInside(page, block, IN.item) && isSure(page, text, looks, next);
  return { element: block, text, look, sure };
}

/** Text that stands loose between blocks, all of it in one element that dresses it. */
function looseLine(page: Page, passage: Passage): ImitatedHeading | null {
  const { block, first, last } = passage;
  if (!LOOSE_IN.has(block.tag) || first !== lastReal(passage) || first.kind !== 'element' || isBlock(first)) return null;
  const looks = sharedLooks(page, first);
  const text = tidy(passage.text);
  if (!looks || !(looks.bold || looks.large) || !couldHead(page, first, text) || isCodeLike(text)) return null;
  const next = nextBlock(page, last.kind === 'element' ? last : first);
  if (!next || isCaptionOf(page, text, next)) return null;
  return {
    element: first,
    text,
    look: looks.large ? 'large' : 'bold',
    sure: isSure(page, text, looks, next) && passage.breaks.length === 0,
  };
}

/** The last node of a passage that is no break and no white space. */
function lastReal({ first, last }: Passage): TreeNode {
  const siblings = first.parent!.children;
  for (let at = siblings.indexOf(last); at >= 0; at--) {
    const node = siblings[at]!;
    if (node === first) return first;
    if (node.kind === 'comment' || (node.kind === 'text' && tidy(node.text) === '') || (node.kind === 'element' && node.tag === 'br'))
      continue;
    return node;
  }
  return first;
}

/** A bold first line that a break parts from the text it seems to head. */
function leadIn(page: Page, passage: Passage): ImitatedHeading | null {
  const { block, first } = passage;
  if (!HOLDERS.has(block.tag) || isInside(page, block, IN.item)) return null;
  const [line, ...rest] = passage.text.trim().split('\n');
  const lead = first.kind === 'element' ? first : nextElement(first);
  if (!lead || isBlock(lead) || shownText(page, lead) !== tidy(line!) || countWords(rest.join(' ')) < 12) return null;
  const looks = sharedLooks(page, lead);
  if (!looks?.bold || !couldHead(page, lead, tidy(line!)) || /[.!;,…]$/.test(line!)) return null;
  return { element: lead, text: tidy(line!), look: 'lead', sure: false };
}

function nextElement(node: TreeNode): ElementNode | null {
  if (node.kind !== 'text' || tidy(node.text) !== '') return null;
  const siblings = node.parent!.children;
  const next = siblings[siblings.indexOf(node) + 1];
  return next?.kind === 'element' ? next : null;
}

function lookOf(looks: Looks): 'bold' | 'large' | 'capitals' | null {
  if (looks.large) return 'large';
  if (looks.bold) return 'bold';
  return looks.capitals ? 'capitals' : null;
}

function couldHead(page: Page, element: ElementNode, text: string): boolean {
  if (roleOf(element) === 'link') return false;
  if (countWords(text) > LIKELY_WORDS || text.length > LONGEST || !/\p{L}/u.test(text) || markersOf(text)[0]?.kind === 'bullet')
    return false;
  if (COMMAND.test(text) || INTRODUCES.test(text)) return false;
  // A line that is one link leads somewhere; one that holds a field asks for something.
  for (const inner of elementsIn(element)) {
    if (['input', 'select', 'textarea', 'button', 'code', 'tt', 'kbd', 'samp', 'img'].includes(inner.tag)) return false;
    if (roleOf(inner) === 'link' && shownText(page, inner).length > text.length / 2) return false;
  }
  return true;
}

/** The element of which a block is all there is: wrappers that hold nothing else are passed. */
function outermost(page: Page, block: ElementNode): ElementNode {
  let here = block;
  for (let up = elementParent(here); up?.tag === 'div'; up = elementParent(up)) {
    const others = up.children.some(
      (node) => node !== here && (node.kind === 'text' ? tidy(node.text) !== '' : node.kind === 'element' && isExposed(page, node)),
    );
    if (others) return here;
    here = up;
  }
  return here;
}

/** The block after an element, when what follows is content and not another part of the page. */
function nextBlock(page: Page, element: ElementNode): ElementNode | null {
  const siblings = element.parent!.children;
  for (let i = element.index + 1; i < siblings.length; i++) {
    const next = siblings[i]!;
    if (next.kind === 'text' && tidy(next.text)) return null;
    if (next.kind !== 'element' || !isExposed(page, next) || next.tag === 'br') continue;
    if (/^h[1-6]$|^hr$/.test(next.tag) || !isBlock(next)) return null;
    if (!showsNothing(page, next)) return next;
  }
  return null;
}

/** Whether a line stands amid a sentence that begins in the paragraph before it and goes on in the one behind. */
function isMidSentence(page: Page, block: ElementNode, next: ElementNode): boolean {
  if (!/^\p{Ll}/u.test(shownText(page, next, 20))) return false;
  const siblings = block.parent!.children;
  let at = block.index - 1;
  while (at >= 0 && siblings[at]!.kind !== 'element') at--;
  const before = siblings[at];
  return before?.kind === 'element' && before.tag === 'p' && /[\p{L}\p{N},:]$/u.test(shownText(page, before));
}

/** Elements a caption names. */
const SHOWN_THINGS = new Set(['table', 'pre', 'figure', 'img', 'svg', 'object', 'iframe', 'video']);

/** A numbered line right before a table, a listing or an image names that, and nothing else. */
function isCaptionOf(page: Page, text: string, next: ElementNode): boolean {
  if (!NUMBERED.test(text)) return false;
  if (SHOWN_THINGS.has(next.tag)) return true;
  return [...elementsIn(next)].slice(0, 12).some((inner) => SHOWN_THINGS.has(inner.tag) && isExposed(page, inner));
}

/** A name of a file or a command: one word with signs or digits in it. */
function isCodeLike(text: string): boolean {
  return (CODE_LIKE.test(text) && !/^\p{L}[\p{L}-]*$/u.test(text)) || /\w\(\)|\w+\([^)]*\)$|::|->|=>|[{};]|\s=\s/.test(text);
}

function isSure(page: Page, text: string, looks: Looks, next: ElementNode): boolean {
  if (
    countWords(text) > SURE_WORDS ||
    !(looks.bold || looks.large) ||
    REMARK.test(text) ||
    BYLINE.test(text) ||
    isCodeLike(text) ||
    /[.!:;,…。：]$/.test(text)
  )
    return false;
  if (next.tag === 'pre' || [...elementsIn(next)].some((inner) => ['input', 'select', 'textarea'].includes(inner.tag))) return false;
  // Several bold lines in a row are a stressed passage or an address, not headings.
  const looksNext = isLeafBlock(page, next) ? sharedLooks(page, next) : null;
  if (looksNext && (looksNext.bold || looksNext.large)) return false;
  // A line beneath which nothing to speak of stands heads nothing for certain; a typed list is something, however short its items.
  const beneath = shownText(page, next, 60);
  return countWords(beneath) >= 3 || markersOf(beneath).length > 0 || ['ul', 'ol', 'dl', 'table', 'div', 'section'].includes(next.tag);
}
