import { links, turnsPages, isNavigation } from '../../../semantics/links.ts';
import { isVagueText } from '../../../semantics/wording.ts';
import { bare } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';
import { closestWithin, type ElementNode } from '../../../document/tree.ts';
import { isInside, IN } from '../../../semantics/inside.ts';
import { headingBefore } from '../../../semantics/outline.ts';
import type { Page } from '../../../document/page.ts';
import { isBlock, blockAround } from '../../../semantics/blocks.ts';
import { countWords } from '../../../semantics/passages.ts';
import { shownText } from '../../../semantics/names.ts';

export const rule = defineRule({
  id: 'links/same-text-elsewhere',
  title: 'One link text, different destinations',
  why: 'In a list of links they look like one, and whoever follows the wrong one has to come back and try again.',
  fix: 'Let each link say what sets its destination apart.',
  question: {
    ask: 'Do these links lead to different things?',
    yes: 'Yes, and they need different words',
    no: 'No, or where they stand makes it plain',
    same: ['said', 'purpose'],
  },
  criteria: ['2.4.9', '2.4.4'],
  techniques: ['F63'],
  weight: 'should',
  atAAA: { weight: 'must', outcome: 'failed' },
  scope: 'any',
  remedies: ['reword'],
  messages: { elsewhere: '“{text}” leads to {here} here and to {there} elsewhere on the page' },
  end(page, tell) {
    const first = new Map<string, { href: string; element: ElementNode; bare: boolean }>();
    const told = new Set<string>();
    for (const { element, name, href } of links(page)) {
      const text = bare(name);
      if (!text || !href || href === '#' || isVagueText(name) || turnsPages(element, name) || isInside(page, element, IN.code)) continue;
      if (!/\p{L}{3}/u.test(text)) continue;
      const here = { href, element, bare: standsBare(page, element, name) && !isNavigation(page, element) };
      const other = first.get(text);
      if (other === undefined) first.set(text, here);
      else if (placeOf(other.href) !== placeOf(href) && !told.has(text)) {
        // Once for each text: forty links called “source” are one slip.
        told.add(text);
        // Words around a link, and the heading it is under, tell two apart (2.4.4); at AAA it has to do so by itself (2.4.9).
        const together = blockAround(element) === blockAround(other.element);
        const apart = !together && (!(here.bare && other.bare) || headingBefore(page, element) !== headingBefore(page, other.element));
        tell({
          at: element,
          message: 'elsewhere',
          values: { text: name, here: href, there: other.href, ...(apart ? { asked: 'AAA' } : {}) },
          subject: text,
          outcome: 'cantTell',
        });
      }
    }
  },
});

/** An address without what only says where on a page, or how it is asked for. */
function placeOf(href: string): string {
  return (
    href
      .split('#')[0]!
      .replace(/^https?:\/\/(?:www\.)?/i, '')
      .replace(/\/$/, '') || href
  );
}

/** Whether a link is all that its paragraph, item or cell says. */
function standsBare(page: Page, link: ElementNode, name: string): boolean {
  const block = closestWithin(link, 8, isBlock);
  return block !== null && countWords(shownText(page, block, 400)) <= countWords(name) + 1;
}
