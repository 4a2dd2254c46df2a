import { defineRule } from '../../types.ts';
import { childElements, closest, elementsIn, type ElementNode } from '../../../document/tree.ts';
import { fact, type Page } from '../../../document/page.ts';
import { blockAround } from '../../../semantics/blocks.ts';
import { nameOf, shownText } from '../../../semantics/names.ts';
import { headingBefore } from '../../../semantics/outline.ts';
import { isLink } from '../../../semantics/roles.ts';
import { isSeen } from '../../../semantics/visibility.ts';
import { isVagueText } from '../../../semantics/wording.ts';
import { isOneOf, bare } from '../../../standards/phrases/index.ts';
import { turnsPages, isNavigation, links, type Link } from '../../../semantics/links.ts';
import { isInside, IN } from '../../../semantics/inside.ts';
import { fileNameOf } from '../../../semantics/images.ts';

/** Words around a link that add nothing to it: below this many others the surroundings give no purpose. Common practice. */
const ENOUGH_WORDS = 2;
const EMPTY_WORDS = new Set(
  'a an and are as at be by can click find follow for from go have here in info information is it just link links more of on or our out page please read see simply site that the then there this to us use visit want web website with you your'.split(
    ' ',
  ),
);

export const rule = defineRule({
  id: 'links/vague',
  title: 'Link text that does not say where it goes',
  why: 'Many readers go through a page by its list of links; there this one says nothing, and several like it cannot be told apart.',
  fix: 'Let the link say what the reader will find behind it, as its page’s title would.',
  question: {
    ask: 'Does this link need better words?',
    yes: 'Yes, it needs better words',
    no: 'No, it is plain where it stands',
    same: ['said', 'purpose', 'language'],
  },
  criteria: ['2.4.4', '2.4.9'],
  techniques: ['F63', 'F84'],
  weight: 'must',
  scope: 'any',
  remedies: ['reword', 'absorb-words', 'use-target-title'],
  atAAA: { weight: 'must', outcome: 'failed' },
  messages: {
    alone: '“{text}” says nothing of where it goes, and nothing around it does',
    context: '“{text}” says nothing of where it goes once it is read on its own',
    several: '{many} links called “{text}” say nothing of where they go once they are read on their own',
  },
  end(page, tell) {
    const told = new Map<string, Link[]>();
    for (const link of links(page)) {
      const { element, name, href } = link;
      if (!isVagueText(name) && !isOneOf(page.surroundings.vocabulary?.vagueLinks, name)) continue;
      if (turnsPages(element, name) || isInside(page, element, IN.code) || isNameOfThing(name, href)) continue;
      // Among links alone a word is what its page is called: whether that is plain enough, a person has to say.
      if (purposeAround(page, element) || standsInIndex(element) || isNavigation(page, element))
        told.set(bare(name), [...(told.get(bare(name)) ?? []), link]);
      else tell({ at: element, message: 'alone', values: { text: name }, subject: `${href} ${name}` });
    }
    // One question for one text: where it stands decides, and a person sees all of it at once.
    for (const [text, same] of told)
      tell({
        at: same[0]!.element,
        places: same.map((link) => link.element),
        message: same.length > 1 ? 'several' : 'context',
        values: { text: same[0]!.name, many: same.length },
        subject: same.length > 1 ? text : `${same[0]!.href} ${same[0]!.name}`,
        outcome: 'cantTell',
        weight: 'should',
      });
  },
});

/** “URL” or “INFO” in capitals is what it leads to, the thing of that name; so is “Click”, of a class, at `button.click.html`. */
function isNameOfThing(name: string, href: string): boolean {
  if (
    fileNameOf(href)
      .replace(/\.[a-z]+$/i, '')
      .toLowerCase()
      .endsWith(`.${name.toLowerCase()}`)
  )
    return true;
  return /^\p{Lu}{3,}$/u.test(name) && (href.toLowerCase().includes(name.toLowerCase()) || /wiki/i.test(href));
}

/** Fewer items of links alone are no index. */
const INDEX = 5;

/** In a long list of nothing but links a word is what its page is called: whether that is plain enough, a person has to say. */
function standsInIndex(link: ElementNode): boolean {
  const list = closest(link, (up) => up.tag === 'ul' || up.tag === 'ol');
  const items = list ? childElements(list).filter((child) => child.tag === 'li') : [];
  return items.length >= INDEX && items.slice(0, 40).every((item) => childElements(item)[0]?.tag === 'a');
}

/** Whether the paragraph, item or cell, its row's header or the heading above give a purpose to go by (WCAG 2.4.4, context). */
function purposeAround(page: Page, link: ElementNode): boolean {
  const block = blockAround(link);
  if (block && wordsBeside(page, block) >= ENOUGH_WORDS) return true;
  const row = closest(link, (up) => up.tag === 'tr');
  if (row && [...elementsIn(row)].some((cell) => cell.tag === 'th' && tellingWords(shownText(page, cell)) > 0)) return true;
  const item = closest(link, (up) => up.tag === 'li' || up.tag === 'dd');
  if (item && item !== block && wordsBeside(page, item) >= ENOUGH_WORDS) return true;
  const heading = headingBefore(page, link);
  return heading !== null && tellingWords(heading.name) > 0;
}

const knownBlocks = fact((): Map<ElementNode, number> => new Map());

/** How many telling words a block has beside its vague links. Counted once for a block, however many links it holds. */
function wordsBeside(page: Page, block: ElementNode): number {
  const known = knownBlocks(page);
  let words = known.get(block);
  if (words === undefined) known.set(block, (words = tellingWords(textBeside(page, block))));
  return words;
}

/** A block's words without those of its vague links. */
function textBeside(page: Page, block: ElementNode): string {
  let text = '';
  const waiting = [...block.children].reverse();
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (node.kind === 'text') text += node.text;
    if (node.kind !== 'element' || !isSeen(page, node) || (isLink(node) && isVagueText(nameOf(page, node).name))) continue;
    text += ' ';
    for (let i = node.children.length - 1; i >= 0; i--) waiting.push(node.children[i]!);
  }
  return text;
}

function tellingWords(text: string): number {
  const words = text.toLowerCase().match(/[\p{L}\p{N}]{2,}/gu) ?? [];
  return words.filter((word) => !EMPTY_WORDS.has(word)).length;
}
