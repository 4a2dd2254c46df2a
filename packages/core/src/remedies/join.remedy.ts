import { childElements, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { linkAfter } from '../semantics/links.ts';
import { shownText } from '../semantics/names.ts';
import { imagesIn, writtenAlternative } from '../semantics/images.ts';
import { bare } from '../standards/phrases/index.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Plan, type Remedy } from './types.ts';

/** Makes one of two neighbours: of two links to one place, or of a list and the one it goes on from. */
export const remedy: Remedy = {
  name: 'join',
  label: 'Make one of the two',
  certain: ['links/doubled', 'links/split'],
  fields: [],
  plan({ page, element }) {
    return element.tag === 'a' ? joinLinks(page, element) : joinLists(element);
  },
};

function joinLinks(page: Page, first: ElementNode): Plan {
  const after = linkAfter(first);
  if (!after) return decline('The two links no longer stand side by side.');
  const { next } = after;
  if (!first.endTag || !next.startTag || !next.endTag) return decline(NO_SOURCE);
  const images = [...imagesIn(first), ...imagesIn(next)];
  const words = bare(`${shownText(page, first)} ${shownText(page, next)}`);
  // An image that says what the words beside it say is passed over once both are one link.
  const passed = images.filter((image) => bare(writtenAlternative(image) ?? '') === words).map((image) => setAttribute(image, 'alt', ''));
  if (passed.some((edit) => edit === null)) return decline(NO_SOURCE);
  return planned({ ...first.endTag, text: '' }, { ...next.startTag, text: '' }, ...(passed as NonNullable<(typeof passed)[number]>[]));
}

/** What stands between the lists goes into the last item of the first. */
function joinLists(list: ElementNode): Plan {
  const siblings = childElements(list.parent!);
  const before = siblings.slice(0, siblings.indexOf(list)).findLast((one) => one.tag === 'ol');
  const last = before && childElements(before).findLast((child) => child.tag === 'li');
  if (!before?.endTag || !last?.range || !list.startTag) return decline(NO_SOURCE);
  const close = last.endTag ? { ...last.endTag, text: '' } : null;
  return planned(...(close ? [close] : []), { ...before.endTag, text: '' }, { ...list.startTag, text: '</li>' });
}
