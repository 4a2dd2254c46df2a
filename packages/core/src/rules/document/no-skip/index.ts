import { landmarks } from '../../../semantics/landmarks.ts';
import { links } from '../../../semantics/links.ts';
import { outline } from '../../../semantics/outline.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import { defineRule } from '../../types.ts';

/** As many links as this before the content are a block that one wants to pass. Common practice. */
const BLOCK = 8;

export const rule = defineRule({
  id: 'document/no-skip',
  title: 'Page with no way past what is repeated',
  why: 'Someone at the keyboard goes through the same links on every page before reaching its content.',
  fix: 'Mark the main part, give it a heading, or begin with a link to the content.',
  criteria: ['2.4.1'],
  techniques: ['G1', 'H69'],
  weight: 'should',
  scope: 'document',
  remedies: [],
  messages: { none: '{many} links stand at the beginning, with no heading, main part or skip link to pass them by' },
  end(page, tell) {
    const all = links(page);
    if (all.length < BLOCK || outline(page).length > 0 || landmarks(page).some((landmark) => landmark.role === 'main')) return;
    const skips = all
      .slice(0, 3)
      .some(({ name, href }) => href.startsWith('#') && [...phrasesOf('skipWords')].some((word) => name.toLowerCase().includes(word)));
    if (!skips)
      tell({
        at: page.body,
        message: 'none',
        values: { many: all.length },
        subject: 'page',
        range: page.body.startTag ?? { start: 0, end: 0 },
      });
  },
});
