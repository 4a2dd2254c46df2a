import { childElements, type ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { linkAfter } from '../semantics/links.ts';
import { shownText } from '../semantics/names.ts';
import { imagesIn, writtenAlternative } from '../semantics/images.ts';
import { bare } from '../standards/phrases/index.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Plan, type Remedy } from './types.ts';
import { bulletRuns } from '../semantics/lists.ts';

/** Makes one of two neighbours: of two links to one place, or of a list and the one it goes on from. */
export const remedy: Remedy = {
  name: 'join',
  label: 'Make one of the two',
  certain: ['links/doubled', 'links/split'],
  fields: [],
  plan({ page, element }) {
    if (element.tag === 'a') return joinLinks(page, element);
    return element.tag === 'ol' ? joinLists(element) : joinBullets(page, element);
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
  return planned({ ...first.endTag, text: '' }, { ...next.startTag, text: '' }, passed as NonNullable<(typeof passed)[number]>[]);
}

/** The tags between neighbouring lists go, so that their items stand in one. */
function joinBullets(page: Page, list: ElementNode): Plan {
  const run = bulletRuns(page).find((one) => one.some(({ element }) => element === list));
  if (!run) return decline('The lists no longer follow one another.');
  const edits = run.slice(1).flatMap(({ element }, i) => {
    const before = run[i]!.element;
    return before.endTag && element.startTag
      ? [
          { ...before.endTag, text: '' },
          { ...element.startTag, text: '' },
        ]
      : [];
  });
  return edits.length === 2 * (run.length - 1) ? planned(edits) : decline(NO_SOURCE);
}

/** What stands between the lists goes into the last item of the first. */
function joinLists(list: ElementNode): Plan {
  const siblings = childElements(list.parent!);
  const before = siblings.slice(0, siblings.indexOf(list)).findLast((one) => one.tag === 'ol');
  const last = before && childElements(before).findLast((child) => child.tag === 'li');
  if (!before?.endTag || !last?.range || !list.startTag) return decline(NO_SOURCE);
  const close = last.endTag ? { ...last.endTag, text: '' } : null;
  return planned(close ? [close] : [], { ...before.endTag, text: '' }, { ...list.startTag, text: '</li>' });
}
