import { valueOf, type ElementNode } from '../../../document/tree.ts';
import { attributed } from '../../../document/tagged.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { isLanguageTag } from '../../../standards/languageTags.ts';
import { defineRule } from '../../types.ts';
import { nameOf, shownText } from '../../../semantics/names.ts';

export const rule = defineRule({
  id: 'document/bad-language',
  title: 'Language that no program knows',
  why: 'The page, or a part of it, is read in the wrong voice.',
  fix: 'Use a registered language tag, such as en, de or pt-BR.',
  criteria: ['3.1.1'],
  techniques: ['H57'],
  weight: 'must',
  scope: 'any',
  remedies: ['set-language'],
  messages: { unknown: '“{tag}” is no registered language tag', unlike: 'lang says “{tag}” and xml:lang says “{other}”' },
  end(page, tell) {
    for (const element of attributed(page)) {
      const tag = valueOf(element, 'lang')?.trim();
      if (
        !tag ||
        (element !== page.html && (!isExposed(page, element) || !/\p{L}/u.test(nameOf(page, element).name + shownText(page, element, 200))))
      )
        continue;
      const report = troubleOf(element, tag);
      // On a part of a page it is the criterion for parts that it touches.
      if (report)
        tell({ at: element, ...report, subject: `${element.tag} ${tag}`, ...(element === page.html ? {} : { alsoCriteria: ['3.1.2'] }) });
    }
  },
});

function troubleOf(element: ElementNode, tag: string): { message: 'unknown' | 'unlike'; values: Record<string, string> } | null {
  if (!isLanguageTag(tag)) return { message: 'unknown', values: { tag } };
  const other = valueOf(element, 'xml:lang')?.trim();
  const primary = (one: string) => one.toLowerCase().split('-')[0];
  return other && primary(other) !== primary(tag) ? { message: 'unlike', values: { tag, other } } : null;
}
