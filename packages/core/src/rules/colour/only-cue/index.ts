import { elementParent, valueOf, type ElementNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { tagged } from '../../../document/tagged.ts';
import { blockAround } from '../../../semantics/blocks.ts';
import { colourCueOf } from '../../../semantics/cues.ts';
import { FURNITURE, IN, isInside } from '../../../semantics/inside.ts';
import { shownText } from '../../../semantics/names.ts';
import { countWords, passages } from '../../../semantics/passages.ts';
import { isSeen } from '../../../semantics/visibility.ts';
import { styleOf } from '../../../style/cascade.ts';
import { hexOf } from '../../../style/colour.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'colour/only-cue',
  title: 'Something told by colour alone',
  why: 'Readers who see colours differently, or not at all, are not told.',
  fix: 'Say it in words or signs as well: “required”, a star, an underline.',
  question: {
    ask: 'Is colour the only thing that tells this?',
    yes: 'Yes, it has to be told another way too',
    no: 'No, it is plain without colour',
  },
  criteria: ['1.4.1'],
  techniques: ['F13', 'F81', 'G14'],
  weight: 'must',
  scope: 'any',
  remedies: ['add-words'],
  messages: {
    words: 'These words lean on colour: “{cue}”',
    marked: 'Words are set in {value} here and nothing but colour tells them apart: “{text}”',
  },
  end(page, tell) {
    for (const passage of passages(page)) {
      const { block, text } = passage;
      const cue = passage.kept ? null : colourCueOf(page, passage);
      if (cue) tell({ at: block, message: 'words', values: { cue }, subject: text, outcome: 'cantTell' });
    }
    const asked = new Set<string>();
    for (const element of tagged(page, ...DRESSED)) {
      const found = element.attributes.length > 0 ? markedBy(page, element) : null;
      if (!found || asked.has(found.value)) continue;
      asked.add(found.value);
      tell({ at: element, message: 'marked', values: found, subject: `${found.value} ${found.text}`, outcome: 'cantTell' });
    }
  },
});

const DRESSED = new Set(['span', 'font']);

/** A few words in running text with a colour of their own and nothing else that sets them apart. */
function markedBy(page: Page, element: ElementNode): { value: string; text: string } | null {
  if (!/(?:^|[;\s])color\s*:/i.test(valueOf(element, 'style') ?? '') && valueOf(element, 'color') === null) return null;
  if (!isSeen(page, element) || isInside(page, element, IN.link | IN.code | IN.heading | FURNITURE) || isExplained(element)) return null;
  const text = shownText(page, element, 200);
  if (!/\p{L}/u.test(text) || countWords(text) > FEW_WORDS || !standsInText(page, element, text)) return null;
  const [own, around] = [styleOf(page, element), styleOf(page, elementParent(element)!)];
  const alike =
    own.fontWeight === around.fontWeight &&
    own.italic === around.italic &&
    own.underlined === around.underlined &&
    own.background.a === 0 &&
    hexOf(own.color) !== hexOf(around.color);
  return alike && element.children.every((child) => child.kind !== 'element' || DRESSED.has(child.tag))
    ? { value: hexOf(own.color), text }
    : null;
}

const FEW_WORDS = 8;

/** Words in brackets right behind say what the colour says. */
function isExplained(element: ElementNode): boolean {
  const next = element.parent!.children[element.index + 1];
  return next?.kind === 'text' && /^\s*\(/.test(next.text);
}

function standsInText(page: Page, element: ElementNode, text: string): boolean {
  const block = blockAround(element);
  return block !== null && countWords(shownText(page, block, 400)) >= countWords(text) + 4;
}
