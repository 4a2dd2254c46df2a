import { defineRule } from '../../types.ts';
import { tidy } from '../../../document/tree.ts';
import { rangeOfTypedList, typedLists, type TypedList } from '../../../semantics/typedLists.ts';

export const rule = defineRule({
  id: 'lists/typed',
  title: 'Typed list, not a real one',
  why: 'A listener is not told that a list begins, how long it is or where it ends, and cannot step through it.',
  fix: 'Make it a real list; the numbers or bullets then come by themselves.',
  question: {
    ask: 'Are these lines the items of a list?',
    yes: 'Yes, they are a list',
    no: 'No, the signs mean something else',
    same: ['piece'],
  },
  criteria: ['1.3.1'],
  techniques: ['F2', 'H48'],
  weight: 'must',
  scope: 'any',
  remedies: ['make-list'],
  messages: {
    numbers: '{count} lines with typed numbers stand here, from “{first}” on, and are no list',
    bullets: '{count} lines with typed bullets stand here, from “{first}” on, and are no list',
  },
  end(page, tell) {
    for (const list of typedLists(page)) {
      const first = tidy(list.lines[0]!.text);
      const message = list.items[0]!.marker.kind === 'bullet' ? 'bullets' : 'numbers';
      const range = rangeOfTypedList(list);
      tell({
        at: list.lines[0]!.block,
        message,
        values: { count: list.lines.length, first },
        subject: first,
        ...(range ? { range } : {}),
        ...(isDoubtful(list) ? { outcome: 'cantTell' as const, weight: 'should' as const } : {}),
        ...(list.lines[0]!.whole ? { through: list.lines.at(-1)!.block } : {}),
      });
    }
  },
});

/** Dashes before what people say, and a star before a remark, look like bullets; so do the initials of names. */
function isDoubtful({ items, lines }: TypedList): boolean {
  const texts = lines.map((line) => tidy(line.text));
  const style = items[0]!.marker.style;
  if (style === '–' || style === '—') return texts.every((text) => /[.!?…»”"]$/.test(text));
  if (style === '*') return lines.length < 3 && texts.every((text) => text.length > 60);
  // “A. Miller”, “B. Moss”: one name after the other.
  return items[0]!.marker.kind === 'capital' && texts.every((text) => /^\p{Lu}\.\s+\p{Lu}\p{Ll}+(?:[ -]\p{Lu}\p{Ll}+)?$/u.test(text));
}
