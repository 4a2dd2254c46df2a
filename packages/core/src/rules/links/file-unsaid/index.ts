import { tidy, valueOf } from '../../../document/tree.ts';
import { links } from '../../../semantics/links.ts';
import { holdsWord } from '../../../semantics/imageContext.ts';
import { phrasesOf } from '../../../standards/phrases/index.ts';
import { fileKindOf } from '../../../semantics/fileKinds.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'links/file-unsaid',
  title: 'Link to a file that does not say so',
  why: 'Someone expects a page and finds a download, or another program opening.',
  fix: 'Name the kind of file in the link, and its size when it is large.',
  alike: true,
  criteria: ['2.4.4'],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: ['say-so'],
  messages: { silent: '“{text}” leads to a file ({kind}) and does not say so' },
  end(page, tell) {
    for (const { element, name, href } of links(page)) {
      const kind = fileKindOf(href);
      if (!kind || !name) continue;
      const next = element.parent!.children[element.index + 1];
      const around = `${name} ${valueOf(element, 'title') ?? ''} ${next?.kind === 'text' ? next.text.slice(0, 40) : ''}`;
      if (
        holdsWord(around, phrasesOf('fileWords')) ||
        around.toLowerCase().includes(kind.toLowerCase()) ||
        /\b\d+(?:[.,]\d+)?\s?[kmg]b\b/i.test(around)
      )
        continue;
      tell({ at: element, message: 'silent', values: { text: name, kind }, subject: `${href} ${tidy(name)}` });
    }
  },
});
