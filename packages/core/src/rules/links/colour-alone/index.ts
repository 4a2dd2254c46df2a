import { elementParent, type ElementNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { blockAround } from '../../../semantics/blocks.ts';
import { FURNITURE, IN, isInside } from '../../../semantics/inside.ts';
import { links, showsOf } from '../../../semantics/links.ts';
import { countWords, passagesByBlock } from '../../../semantics/passages.ts';
import { styleOf, unreadSheets } from '../../../style/cascade.ts';
import { contrastRatio, hexOf } from '../../../style/colour.ts';
import type { Style } from '../../../style/computed.ts';
import { coloursIn } from '../../../style/contrast.ts';
import { defineRule } from '../../types.ts';

/** WCAG 2.2, technique G183: a link may be told by colour when it stands out from the text around it by this much. */
const TELLS = 3;
/** Fewer words around a link than this are no running text. */
const RUNNING = 3;

export const rule = defineRule({
  id: 'links/colour-alone',
  title: 'Link told by its colour alone',
  why: 'Readers who see colours differently, or on a poor screen, do not find the link in its text.',
  fix: 'Underline links that stand in running text.',
  criteria: ['1.4.1'],
  techniques: ['F73', 'G183'],
  weight: 'must',
  scope: 'any',
  remedies: ['underline'],
  question: {
    ask: 'Are links in running text told by their colour alone, once the style sheet that could not be read has its say?',
    yes: 'Yes, they need another sign',
    no: 'No, that sheet marks them',
    same: ['piece'],
  },
  messages: {
    faint: '“{text}” is a link that only its colour tells: {link} in text of {around}, {ratio} to 1',
    several: '{many} links such as “{text}” are told by their colour alone: {link} in text of {around}, {ratio} to 1',
  },
  end(page, tell) {
    const pairs = new Map<string, { found: Faintness; text: string; elements: ElementNode[] }>();
    for (const { element, name } of links(page)) {
      if (!name || isInside(page, element, FURNITURE | IN.heading | IN.code) || showsOf(element) !== 'words') continue;
      const found = faintness(page, element, name);
      if (!found) continue;
      const key = `${found.link} ${found.around}`;
      const same = pairs.get(key);
      if (same) same.elements.push(element);
      else pairs.set(key, { found, text: name, elements: [element] });
    }
    const certain = unreadSheets(page).length === 0;
    for (const [subject, { found, text, elements }] of pairs)
      tell({
        at: elements[0]!,
        places: elements,
        message: elements.length > 1 ? 'several' : 'faint',
        values: { text, ...found, many: elements.length },
        subject,
        ...(certain ? {} : { outcome: 'cantTell' as const }),
      });
  },
});

interface Faintness {
  link: string;
  around: string;
  ratio: string;
}

function faintness(page: Page, link: ElementNode, name: string): Faintness | null {
  const around = elementParent(link)!;
  const own = innermost(link);
  if (
    setsApart(styleOf(page, own), styleOf(page, around)) ||
    setsApart(styleOf(page, link), styleOf(page, around)) ||
    !standsInText(page, link, name)
  )
    return null;
  const [mine, other] = [coloursIn(page, own), coloursIn(page, around)];
  if (!mine.certain || !other.certain || hexOf(mine.color) === hexOf(other.color)) return null;
  const ratio = contrastRatio(mine.color, other.color);
  return ratio < TELLS ? { link: hexOf(mine.color), around: hexOf(other.color), ratio: (Math.floor(ratio * 100) / 100).toFixed(2) } : null;
}

function standsInText(page: Page, link: ElementNode, name: string): boolean {
  const block = blockAround(link);
  const passage =
    block &&
    passagesByBlock(page)
      .get(block)
      ?.find((one) => one.text.includes(name));
  if (!passage) return false;
  // Words that are links themselves are no text a link stands in.
  const plain = passage.texts.filter((text) => !isInside(page, elementParent(text)!, IN.link));
  return plain.reduce((sum, text) => sum + countWords(text.text), 0) >= RUNNING;
}

/** The element that holds all of a link's text. */
function innermost(link: ElementNode): ElementNode {
  let here = link;
  for (;;) {
    const [only, ...others] = here.children.filter((node) => node.kind !== 'comment' && !(node.kind === 'text' && !/\S/.test(node.text)));
    if (others.length > 0 || only?.kind !== 'element') return here;
    here = only;
  }
}

/** Anything but colour that shows a link: a line, weight, slant, size, a frame or a ground. */
function setsApart(link: Style, around: Style): boolean {
  const framed = ['bottom', 'top', 'left', 'right'].some(
    (side) => !['none', 'hidden'].includes(link.declared.get(`border-${side}-style`) ?? 'none'),
  );
  return (
    (link.underlined && !around.underlined) ||
    framed ||
    Math.abs(link.fontWeight - around.fontWeight) >= 200 ||
    link.italic !== around.italic ||
    link.fontSize !== around.fontSize ||
    link.background.a > 0 ||
    link.image !== null ||
    link.family !== around.family ||
    (link.declared.get('box-shadow') ?? 'none') !== 'none'
  );
}
