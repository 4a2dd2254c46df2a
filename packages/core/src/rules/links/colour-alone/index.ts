import { elementParent, type ElementNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { blockAround } from '../../../semantics/blocks.ts';
import { FURNITURE, IN, isInside } from '../../../semantics/inside.ts';
import { links, showsOf } from '../../../semantics/links.ts';
import { countWords, passagesByBlock } from '../../../semantics/passages.ts';
import { styleOf } from '../../../style/cascade.ts';
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
  messages: { faint: '“{text}” is a link that only its colour tells: {link} in text of {around}, {ratio} to 1' },
  end(page, tell) {
    for (const { element, name } of links(page)) {
      if (!name || isInside(page, element, FURNITURE | IN.heading) || showsOf(element) !== 'words') continue;
      const found = faintness(page, element, name);
      if (found) tell({ at: element, message: 'faint', values: { text: name, ...found }, subject: name });
    }
  },
});

function faintness(page: Page, link: ElementNode, name: string): { link: string; around: string; ratio: string } | null {
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
  return passage !== null && passage !== undefined && passage.words - countWords(name) >= RUNNING;
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
