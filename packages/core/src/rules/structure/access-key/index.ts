import { tidy, valueOf } from '../../../document/tree.ts';
import { attributed } from '../../../document/tagged.ts';
import { nameOf } from '../../../semantics/names.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'structure/access-key',
  title: 'One access key for several things',
  why: 'Pressing it does not do what the reader learned that it does.',
  fix: 'Give each its own key, or none.',
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: [],
  messages: { twice: 'The access key “{key}” of “{text}” is taken already' },
  end(page, tell) {
    const taken = new Set<string>();
    for (const element of attributed(page)) {
      const key = tidy(valueOf(element, 'accesskey') ?? '').toLowerCase();
      if (!key || !isExposed(page, element)) continue;
      if (taken.has(key)) tell({ at: element, message: 'twice', values: { key, text: nameOf(page, element).name || element.tag } });
      taken.add(key);
    }
  },
});
