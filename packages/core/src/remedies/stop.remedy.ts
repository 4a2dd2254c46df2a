import { valueOf } from '../document/tree.ts';
import { dropAttribute, NO_SOURCE, removal, setAttribute, insertAt, nameEnd, written } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Lets a recording wait until the reader starts it. */
export const remedy: Remedy = {
  name: 'stop',
  label: 'Let the reader start it',
  certain: true,
  fields: [],
  plan({ page, element }) {
    if (element.tag === 'bgsound') return element.range ? planned(removal(page, element.range)) : decline(NO_SOURCE);
    if (element.tag === 'iframe') {
      const edit = setAttribute(element, 'src', (valueOf(element, 'src') ?? '').replace(/([?&]auto_?play=)(?:1|true)\b/gi, '$10'));
      return edit ? planned(edit) : decline(NO_SOURCE);
    }
    const dropped = dropAttribute(page, element, 'autoplay');
    if (!dropped) return decline(NO_SOURCE);
    // What no longer starts by itself has to have something to start it with.
    const controls = valueOf(element, 'controls') === null ? [insertAt(nameEnd(element)!, written(page, 'controls'))] : [];
    return planned(controls, dropped);
  },
};
