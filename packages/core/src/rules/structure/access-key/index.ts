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
  alike: true,
  criteria: [],
  techniques: [],
  practice: true,
  weight: 'consider',
  scope: 'any',
  remedies: [],
  messages: { twice: 'The access key “{key}” of “{text}” is taken already' },
  end(page, tell) {
    const taken = new Map<string, string>();
    for (const element of attributed(page)) {
      const key = tidy(valueOf(element, 'accesskey') ?? '').toLowerCase();
      if (!key || !isExposed(page, element)) continue;
      // Two links to one place may well share a key.
      const leads = valueOf(element, 'href') ?? `${element.tag} ${element.order}`;
      const other = taken.get(key);
      if (other === undefined) taken.set(key, leads);
      else if (other !== leads)
        tell({ at: element, message: 'twice', values: { key, text: nameOf(page, element).name || element.tag }, subject: key });
    }
  },
});
