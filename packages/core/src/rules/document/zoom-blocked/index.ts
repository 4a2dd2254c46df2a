import { valueOf } from '../../../document/tree.ts';
import { tagged } from '../../../document/tagged.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'document/zoom-blocked',
  title: 'Page that stops the reader from enlarging it',
  why: 'Readers with low vision on a phone cannot make the text large enough.',
  fix: 'Let the page be enlarged.',
  criteria: ['1.4.4'],
  techniques: ['F69'],
  weight: 'must',
  scope: 'document',
  remedies: ['allow-zoom'],
  messages: { no: 'The page forbids enlarging it', limit: 'The page can be enlarged only {scale} times' },
  end(page, tell) {
    for (const element of tagged(page, 'meta')) {
      if ((valueOf(element, 'name') ?? '').trim().toLowerCase() !== 'viewport') continue;
      const content = valueOf(element, 'content') ?? '';
      const scale = Number(/maximum-scale\s*=\s*([\d.]+)/i.exec(content)?.[1] ?? 10);
      if (/user-scalable\s*=\s*(?:no|0)\b/i.test(content)) tell({ at: element, message: 'no', subject: 'viewport' });
      // Text has to double in size.
      else if (scale < 2) tell({ at: element, message: 'limit', values: { scale }, subject: 'viewport' });
    }
  },
});
