import { tidy, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { contentRange, NO_SOURCE } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { isVagueText } from '../semantics/wording.ts';

const CONNECTIVES = /^(?:for|see|about|on|of|to see|to read|to find|read|view|find|visit|get|download|in)\s+/i;

/** Lets a link take in the words before it that say where it goes, in place of its own empty ones. */
export const remedy: Remedy = {
  name: 'absorb-words',
  label: 'Take in the words before it',
  certain: false,
  fromProposal: true,
  fields: [
    {
      name: 'words',
      label: 'Words of the sentence that become the link',
      kind: 'text',
      hint: 'They stand right before the link; its own words go.',
    },
  ],
  propose: ({ page, element }) => ({ words: likelyWords(page, element) }),
  plan({ page, element }, inputs) {
    const words = tidy(inputs.words ?? '');
    const before = textBefore(page, element);
    const content = contentRange(element);
    if (!before || !content || !element.range || !element.endTag || !element.startTag)
      return decline(before ? NO_SOURCE : 'No words stand right before this link.');
    if (!words) return decline('Choose the words that become the link.');
    if (isVagueText(words) || !/\p{L}{3}/u.test(words.replace(/\b(?:the|a|an|this|that|here|click|see|for|more)\b/gi, '')))
      return decline('These words say no more of where the link goes than its own.');
    const found = before.text.lastIndexOf(words);
    if (found < 0) return decline('Those words do not stand right before the link.');
    const between = before.text.slice(found + words.length);
    if (!/^[\s,:;–-]*$/.test(between)) return decline('Words between these and the link would be lost; take them in too.');
    const tag = page.source.slice(element.startTag.start, element.startTag.end);
    return planned(
      { start: before.start + found, end: before.start + found, text: tag },
      { start: before.start + found + words.length, end: element.range.end, text: '</a>' },
    );
  },
};

/** The text right before a link, as written. Text with character references is left alone: its offsets would not match. */
function textBefore(page: Page, link: ElementNode): { text: string; start: number } | null {
  const siblings = link.parent?.children ?? [];
  const previous = siblings[siblings.indexOf(link) - 1];
  if (previous?.kind !== 'text' || !previous.range) return null;
  const text = page.source.slice(previous.range.start, previous.range.end);
  return text === previous.text && /\S/.test(text) ? { text, start: previous.range.start } : null;
}

/** The last clause before the link without its first small words. */
function likelyWords(page: Page, link: ElementNode): string {
  const text = textBefore(page, link)?.text ?? '';
  const clause =
    text
      .replace(/[\s,:;–-]+$/, '')
      .split(/[.!?;:()]\s*/)
      .pop() ?? '';
  return tidy(clause)
    .replace(CONNECTIVES, '')
    .replace(/^(?:the|a|an)\s+(?=\S+\s)/i, '');
}
