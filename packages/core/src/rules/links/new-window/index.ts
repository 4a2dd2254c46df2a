import { defineRule } from '../../types.ts';
import { elementsIn, tidy, valueOf, type ElementNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import { referred } from '../../../semantics/ids.ts';
import { nameOf, shownText } from '../../../semantics/names.ts';
import { opensWindow } from '../../../semantics/links.ts';
import { isLink } from '../../../semantics/roles.ts';

export const rule = defineRule({
  id: 'links/new-window',
  title: 'New window without a word',
  why: 'Someone who does not see the new window finds the way back gone and does not know why.',
  fix: 'Let the link open where the reader is, or say in its text that it opens a new tab.',
  alike: true,
  criteria: ['3.2.5'],
  techniques: ['G201', 'H83', 'F22'],
  weight: 'should',
  scope: 'any',
  remedies: ['same-window', 'say-so'],
  messages: { silent: '“{text}” opens a new window and does not say so' },
  tags: ['a', 'area'],
  visit(page, element, tell) {
    if (!isLink(element) || !opensWindow(element)) return;
    const { name } = nameOf(page, element);
    if (!name || saysSo(page, element, name)) return;
    tell({ at: element, message: 'silent', values: { text: name }, subject: `${valueOf(element, 'href') ?? ''} ${name}` });
  },
});

/** A word of it in the name, the description, the title, or right behind the link. */
function saysSo(page: Page, link: ElementNode, name: string): boolean {
  const described = referred(page, link, 'aria-describedby');
  const images = [...elementsIn(link)].map((inner) => `${valueOf(inner, 'title') ?? ''} ${valueOf(inner, 'alt') ?? ''}`);
  const texts = [name, valueOf(link, 'title') ?? '', ...described.map((element) => shownText(page, element)), ...images, textAfter(link)];
  const all = tidy(texts.join(' ')).toLowerCase();
  for (const phrase of phrasesOf('newWindow')) if (all.includes(phrase)) return true;
  return false;
}

function textAfter(link: ElementNode): string {
  const siblings = link.parent?.children ?? [];
  const next = siblings[siblings.indexOf(link) + 1];
  return next?.kind === 'text' ? (/^\s*[([–-][^)\]]{0,60}/.exec(next.text)?.[0] ?? '') : '';
}
