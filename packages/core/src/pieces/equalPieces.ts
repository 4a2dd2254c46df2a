import type { Finding, Place } from '../audit/findings.ts';
import { resolveAddress } from '../document/addresses.ts';
import type { Page } from '../document/page.ts';
import { elementAt } from '../document/paths.ts';
import { childElements, descendants, elementParent, rawText, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { isBlock } from '../semantics/blocks.ts';
import { landmarks } from '../semantics/landmarks.ts';
import { hashText } from '../source/hash.ts';
import { lookup } from '../source/lookup.ts';

/** Where on its page a piece stands. `template`: what is around all content, such as the `html` element and the head. */
export type Part = 'template' | 'header' | 'navigation' | 'footer' | 'aside' | 'content';

/** A slip in a piece that may stand on other pages too. */
export interface Slip {
  part: Part;
  /** The same for the same slip in an equal piece, on whatever page. */
  key: string;
}

/**
 * For each finding its slip: what it shares with the same slip in an equal piece elsewhere. Pieces are equal when they are but for where
 * their links lead, ids, marks of the current page, years and white space. Null where the piece has nothing of its own by which it could be
 * known again: an empty heading between two paragraphs.
 *
 * @param address the page's place in its collection, from which its images are found
 */
export function slipsOf(page: Page, address: string, findings: readonly Finding[]): (Slip | null)[] {
  const pieces = new Pieces(page, address);
  return findings.map((finding) => pieces.slipOf(finding));
}

/** Letters a piece has to say before it counts as one; fewer are met by chance. */
const ENOUGH = 20;
/** Longest piece compared, in characters of its source. */
const LONGEST = 60_000;

const SUBSTANCE = new Set(['img', 'iframe', 'object', 'embed', 'video', 'audio', 'input', 'select', 'textarea', 'button', 'svg']);
const AROUND_ALL = new Set(['html', 'head', 'body', 'frameset']);
const CONTENT = new Set(['main', 'article']);

class Pieces {
  private readonly sources = new Map<ElementNode, string>();
  private readonly parts = new Map<ElementNode, Part>();
  private readonly landmarks: ReadonlyMap<ElementNode, string>;

  constructor(
    private readonly page: Page,
    private readonly address: string,
  ) {
    this.landmarks = new Map(landmarks(page).map(({ element, role }) => [element, role]));
  }

  slipOf(finding: Finding): Slip | null {
    const element = elementAt(this.page, finding.at.path);
    if (!element) return null;
    // What speaks of a stretch inside the body says nothing of the body's own tag.
    const around = finding.at.start === element.range?.start ? this.templateOf(element) : null;
    if (around !== null) return { part: 'template', key: keyOf(finding, around, 0) };
    const piece = this.pieceAround(element, finding.places ?? [finding.at]);
    if (!piece) return null;
    return { part: this.partOf(piece), key: keyOf(finding, this.sourceOf(piece), this.nth(piece, element)) };
  }

  /** What the template says here: a start tag, or the whole of an element of the head. */
  private templateOf(element: ElementNode): string | null {
    if (AROUND_ALL.has(element.tag)) return startOf(element, this.address);
    return elementParent(element)?.tag === 'head' ? this.sourceOf(element) : null;
  }

  /** The smallest block around all places that says enough to be known again; none where the page's content begins before. */
  private pieceAround(element: ElementNode, places: readonly Place[]): ElementNode | null {
    for (let here: ElementNode | null = element; here && !AROUND_ALL.has(here.tag); here = elementParent(here)) {
      if (here.range === null || CONTENT.has(here.tag) || here.range.end - here.range.start > LONGEST) return null;
      const { start, end } = here.range;
      const whole = places.every((place) => place.start >= start && place.end <= end);
      if (whole && (isBlock(here) || this.landmarks.has(here)) && this.saysEnough(here)) return here;
    }
    return null;
  }

  private saysEnough(element: ElementNode): boolean {
    if (SUBSTANCE.has(element.tag)) return true;
    let letters = 0;
    for (const node of descendants(element)) {
      if (node.kind === 'element' && SUBSTANCE.has(node.tag)) return true;
      if (node.kind === 'text') letters += tidy(node.text).length;
      if (letters >= ENOUGH) return true;
    }
    return false;
  }

  private partOf(piece: ElementNode): Part {
    const known = this.parts.get(piece);
    if (known) return known;
    let part: Part | null = null;
    for (let here: ElementNode | null = piece; here && part === null; here = elementParent(here))
      part = lookup(PARTS, this.landmarks.get(here) ?? '') ?? partByName(here);
    this.parts.set(piece, part ?? 'content');
    return part ?? 'content';
  }

  /** An element among those of its piece that begin alike. */
  private nth(piece: ElementNode, element: ElementNode): number {
    if (element === piece) return 0;
    const own = startOf(element, this.address);
    let nth = 1;
    for (const node of descendants(piece)) {
      if (node === element) return nth;
      if (node.kind === 'element' && node.tag === element.tag && startOf(node, this.address) === own) nth++;
    }
    return 0;
  }

  /** A piece as it is compared. */
  private sourceOf(piece: ElementNode): string {
    const known = this.sources.get(piece);
    if (known !== undefined) return known;
    const parts = [startOf(piece, this.address)];
    // Where an element ends is seen from how deep what follows lies.
    const depths = new Map<ElementNode, number>([[piece, 0]]);
    for (const node of descendants(piece)) {
      const parent = node.parent as ElementNode;
      const depth = (depths.get(parent) ?? 0) + 1;
      if (node.kind === 'text') parts.push(comparable(node.text));
      if (node.kind !== 'element') continue;
      const link = isCurrentMark(node);
      depths.set(node, link ? depth - 1 : depth);
      if (!link) parts.push(`${depth}${startOf(node, this.address)}`);
    }
    const source = parts.filter(Boolean).join('\n');
    this.sources.set(piece, source);
    return source;
  }
}

const PARTS: Readonly<Record<string, Part | undefined>> = {
  banner: 'header',
  contentinfo: 'footer',
  navigation: 'navigation',
  complementary: 'aside',
  search: 'header',
};

/** Pages from before these elements say it by their classes and ids (common practice). */
const NAMED: readonly [RegExp, Part][] = [
  [/^(?:site-?|page-?|nav-?)?(?:footer|foot|bottom|colophon|copyright)$/, 'footer'],
  [/^(?:site-?|page-?)?(?:header|head|masthead|banner|logo|top)$/, 'header'],
  [/^(?:nav|navi|navbar|navheader|navfooter|navigation|navlinks|menu|main-?menu|breadcrumbs?|toc|related|pager)$/, 'navigation'],
  [/^(?:side-?bar|aside|sidenav)$/, 'aside'],
];

function partByName(element: ElementNode): Part | null {
  const names = `${valueOf(element, 'class') ?? ''} ${valueOf(element, 'id') ?? ''}`.toLowerCase().split(/\s+/);
  for (const [pattern, part] of NAMED) if (names.some((name) => pattern.test(name))) return part;
  return null;
}

/** Attributes that differ from page to page in equal pieces: where links lead, ids and what names them, marks of the current page. */
const DIFFERING = new Set([
  ...['href', 'action', 'cite', 'longdesc', 'id', 'name', 'for', 'headers', 'usemap'],
  ...['aria-labelledby', 'aria-describedby', 'aria-controls', 'aria-owns', 'aria-current', 'aria-selected', 'aria-expanded'],
]);
const ADDRESSES = new Set(['src', 'data', 'poster', 'background']);
const CURRENT = /(?:^|[-_])(?:current|active|selected|here|open|self|visited|on)(?:$|[-_])/i;

/** A start tag as it is compared: attributes in order, images by their place in the collection. */
function startOf(element: ElementNode, address: string): string {
  const parts: string[] = [];
  for (const { name, value } of element.attributes) {
    // A name tells fields apart, and anchors not.
    if (DIFFERING.has(name) && !(name === 'name' && SUBSTANCE.has(element.tag))) continue;
    if (ADDRESSES.has(name)) parts.push(`${name}=${resolveAddress(address, tidy(value)) ?? tidy(value)}`);
    else if (name === 'class') {
      const classes = tidy(value)
        .split(' ')
        .filter((one) => one !== '' && !CURRENT.test(one));
      if (classes.length > 0) parts.push(`class=${classes.sort().join(' ')}`);
    } else parts.push(`${name}=${comparable(value)}`);
  }
  return `<${element.tag} ${parts.sort().join(' ')}>`;
}

/** Text as it is compared: white space as one space, a year as any year. */
function comparable(text: string): string {
  return tidy(text).replace(/\b(?:19|20)\d\d\b/g, 'year');
}

const MARKS = new Set(['a', 'strong', 'b', 'em', 'span']);

/** A link round some words, and what may stand in its place where the page itself is meant. */
function isCurrentMark(element: ElementNode): boolean {
  return MARKS.has(element.tag) && childElements(element).length === 0 && tidy(rawText(element)) !== '';
}

function keyOf(finding: Finding, source: string, nth: number): string {
  return hashText(`${finding.rule}\n${finding.message}\n${nth}\n${source}`);
}
