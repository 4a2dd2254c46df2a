import { valueOf } from '../../../document/tree.ts';
import { tagged } from '../../../document/tagged.ts';
import { defineRule } from '../../types.ts';

/** WCAG 2.2, 2.2.1: a limit of more than 20 hours is none. */
const TWENTY_HOURS = 72_000;

export const rule = defineRule({
  id: 'document/refresh',
  title: 'Page that reloads or leaves by itself',
  why: 'A slow reader is thrown back to the top, or out of the page, in mid-sentence.',
  fix: 'Let the reader decide; send a moved page on from the server.',
  criteria: ['2.2.1', '3.2.5'],
  techniques: ['F40', 'F41'],
  weight: 'must',
  scope: 'document',
  remedies: ['remove'],
  messages: { reload: 'The page reloads by itself after {seconds} seconds', leave: 'The page sends its reader on after {seconds} seconds' },
  end(page, tell) {
    for (const element of tagged(page, 'meta')) {
      if ((valueOf(element, 'http-equiv') ?? '').trim().toLowerCase() !== 'refresh') continue;
      const parts = /^\s*(\d+)(?:\.\d*)?\s*([;,].*)?$/s.exec(valueOf(element, 'content') ?? '');
      const seconds = Number(parts?.[1] ?? 0);
      if (seconds > 0 && seconds <= TWENTY_HOURS)
        tell({
          at: element,
          message: parts?.[2] && /url\s*=/i.test(parts[2]) ? 'leave' : 'reload',
          values: { seconds },
          subject: 'refresh',
        });
    }
  },
});
