import { anchorOf, anchors, links } from '../../../semantics/links.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'links/missing-anchor',
  title: 'Link to a place that is not on the page',
  why: 'Following it does nothing, and nobody is told why.',
  fix: 'Point it to a place that is there, or put the anchor where it should lead.',
  question: {
    ask: 'Does this link lead nowhere?',
    yes: 'Yes, the place is missing',
    no: 'No, the platform has it around this content',
    same: ['words', 'purpose'],
  },
  criteria: ['2.4.1', '2.4.5'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['set-target', 'add-anchor', 'unlink'],
  messages: {
    here: '“{text}” leads to #{anchor}, which is not on this page',
    there: '“{text}” leads to #{anchor} on {page}, which is not there',
  },
  end(page, tell) {
    for (const { element, name, href } of links(page)) {
      const anchor = anchorOf(href);
      // “#top” is always there (HTML Living Standard, "scroll to the fragment"); text fragments name no id.
      if (!anchor || anchor.toLowerCase() === 'top' || anchor.startsWith(':~:') || anchor.startsWith('!') || anchor.startsWith('/'))
        continue;
      const subject = `${href} ${name}`;
      if (href.startsWith('#')) {
        if (anchors(page).has(anchor) || anchors(page).has(href.slice(1).replace(/:~:.*$/s, ''))) continue;
        tell({
          at: element,
          message: 'here',
          values: { text: name, anchor },
          subject,
          ...(page.scope === 'fragment' ? { outcome: 'cantTell' as const } : {}),
        });
        continue;
      }
      const there = page.surroundings.anchorsIn?.(href);
      if (there && !there.has(anchor))
        tell({
          at: element,
          message: 'there',
          values: { text: name, anchor, page: href.split('#')[0]! },
          subject,
          remedies: ['set-target', 'unlink'],
        });
    }
  },
});
