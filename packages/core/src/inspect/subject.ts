import { elementAt } from '../document/paths.ts';
import { elementParent, tidy, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import type { Finding } from '../audit/findings.ts';
import { houseColours } from '../semantics/houseColours.ts';
import { images } from '../semantics/imageContext.ts';
import { nameOf } from '../semantics/names.ts';
import { addressOf, writtenAlternative } from '../semantics/images.ts';
import { contrastRatio, hexOf, parseColour } from '../style/colour.ts';
import { coloursIn, shownTexts } from '../style/contrast.ts';
import { nearestPassing } from '../style/nearestPassing.ts';

/** An image with the words around it, and the alternatives it has in other places of the page. */
export interface ImageSubject {
  kind: 'image';
  /** Text that is read just before and just after it. */
  before: string;
  after: string;
  /** What it says in its other places on this page, each once; '' for a place where nothing is said. */
  alsoHere: string[];
}

/** A colour that passes here, and what it would be the colour of. */
export interface PassingColour {
  of: 'text' | 'ground';
  /** How it was found: the nearest darker or lighter one, or one of the house. */
  way: 'darker' | 'lighter' | 'house';
  colour: string;
  ratio: number;
}

/** A pair of colours that stands out too little, and the nearest that do. */
export interface ColourSubject {
  kind: 'colour';
  color: string;
  background: string;
  ratio: number;
  required: number;
  sample: string;
  passing: PassingColour[];
}

export type Subject = ImageSubject | ColourSubject;

/** What a person needs to see to correct a finding, beside the finding: null where the finding itself is enough. */
export function subjectOf(page: Page, finding: Finding): Subject | null {
  const element = elementAt(page, finding.at.path);
  if (!element) return null;
  if (finding.family === 'images') return imageSubject(page, element);
  return finding.remedies.includes('nearest-passing') ? colourSubject(page, element, finding) : null;
}

/** Longest stretch of surrounding text that is shown, in characters. */
const NEARBY = 180;

function imageSubject(page: Page, element: ElementNode): ImageSubject | null {
  if (!element.range) return null;
  const { start, end } = element.range;
  let [before, after] = ['', ''];
  for (const { text, range } of shownTexts(page)) {
    if (!range) continue;
    if (range.end <= start) before = `${before} ${text}`.slice(-NEARBY * 2);
    else if (range.start >= end && after.length < NEARBY * 2) after = `${after} ${text}`;
  }
  const address = addressOf(element);
  const alsoHere =
    address === ''
      ? []
      : images(page)
          .filter((image) => image !== element && addressOf(image) === address)
          .map((image) => writtenAlternative(image) ?? '');
  return { kind: 'image', before: lastWords(tidy(before)), after: firstWords(tidy(after)), alsoHere: [...new Set(alsoHere)] };
}

function firstWords(text: string): string {
  return text.length <= NEARBY ? text : `${text.slice(0, text.lastIndexOf(' ', NEARBY))} …`;
}

function lastWords(text: string): string {
  return text.length <= NEARBY ? text : `… ${text.slice(text.indexOf(' ', text.length - NEARBY) + 1)}`;
}

function colourSubject(page: Page, element: ElementNode, finding: Finding): ColourSubject {
  const { color, background, ratio } = coloursIn(page, element);
  const required = Number(finding.values.required);
  const nearest = (of: 'text' | 'ground', way: 'darker' | 'lighter'): PassingColour[] => {
    const found = of === 'text' ? nearestPassing(color, background, required, way) : nearestPassing(background, color, required, way);
    return found ? [{ of, way, colour: hexOf(found), ratio: cut(contrastRatio(found, of === 'text' ? background : color)) }] : [];
  };
  const house = houseColours(page).flatMap((written): PassingColour[] => {
    const against = contrastRatio(parseColour(written)!, background);
    return against >= required ? [{ of: 'text', way: 'house', colour: written, ratio: cut(against) }] : [];
  });
  return {
    kind: 'colour',
    color: hexOf(color),
    background: hexOf(background),
    ratio: cut(ratio),
    required,
    sample: sampleOf(page, element),
    passing: [
      ...nearest('text', 'darker'),
      ...nearest('text', 'lighter'),
      ...house,
      ...nearest('ground', 'darker'),
      ...nearest('ground', 'lighter'),
    ],
  };
}

/** Never rounded up: 4.499 is not 4.5. */
function cut(ratio: number): number {
  return Math.floor(ratio * 100) / 100;
}

function sampleOf(page: Page, element: ElementNode): string {
  const own = shownTexts(page)
    .filter((text) => elementParent(text) === element)
    .map((text) => text.text)
    .join(' ');
  return tidy(own).slice(0, 80) || nameOf(page, element).name.slice(0, 80);
}
