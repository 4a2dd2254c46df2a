import { defineRule } from '../../types.ts';
import { tagged } from '../../../document/tagged.ts';
import { titleElement } from '../../../semantics/title.ts';
import { valueOf } from '../../../document/tree.ts';
export const rule = defineRule({
  id: 'media/unclosed-frame',
  title: 'Element left open that swallows what follows',
  why: 'What follows on the page is neither shown nor told to anybody.',
  fix: 'Close the element right where it begins.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'must',
  scope: 'any',
  remedies: ['close'],
  messages: {
    open: 'The {what} is left open and swallows what follows it',
  },
  end(page, tell) {
    for (const element of tagged(page, 'iframe', 'textarea', 'title', 'noembed', 'noframes', 'xmp', 'video', 'audio', 'object', 'canvas')) {
      if (!element.startTag || element.selfClosed || element.space !== 'html' || element === titleElement(page)) continue;
      const written = page.source.slice(element.startTag.start, element.startTag.end);
      const inside = page.source.slice(element.startTag.end, element.endTag?.start ?? page.source.length);
      const swallows = /<\/?(?:p|h[1-6]|ul|ol|div|table|a|section|body|html)\b/i.test(inside);
      const closedAsXml = /\/>$/.test(written);
      if (swallows && (closedAsXml || (!element.endTag && RAW.has(element.tag))))
        tell({
          at: element,
          message: 'open',
          values: { what: `${element.tag} element` },
          subject: `${element.tag} ${valueOf(element, 'src') ?? ''}`,
          alsoCriteria: ['4.1.1'],
        });
    }
  },
});

/** Elements whose content is read as text up to their end tag (HTML Living Standard, "raw text elements"). */
const RAW = new Set(['iframe', 'textarea', 'title', 'noembed', 'noframes', 'xmp']);
