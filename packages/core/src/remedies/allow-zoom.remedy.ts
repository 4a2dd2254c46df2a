import { valueOf } from '../document/tree.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Lets readers enlarge the page. */
export const remedy: Remedy = {
  name: 'allow-zoom',
  label: 'Let it be enlarged',
  certain: true,
  fields: [],
  plan({ element }) {
    const kept = (valueOf(element, 'content') ?? '')
      .split(/[,;]/)
      .map((part) => part.trim())
      .filter((part) => part !== '' && !/^(?:user-scalable|maximum-scale|minimum-scale)\s*=/i.test(part));
    const edit = setAttribute(element, 'content', kept.join(', ') || 'width=device-width');
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};
