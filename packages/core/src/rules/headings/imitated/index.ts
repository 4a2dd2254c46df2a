import { defineRule, type Report } from '../../types.ts';
import type { ElementNode } from '../../../document/tree.ts';
import { childElements, closest, tidy } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { isBlock, isLeafBlock } from '../../../semantics/blocks.ts';
import { sharedLooks, type Looks } from '../../../semantics/looks.ts';
import { markersOf } from '../../../semantics/markers.ts';
import { shownText } from '../../../semantics/names.ts';
import { passagesByBlock } from '../../../semantics/passages.ts';
import { controlAround, roleOf } from '../../../semantics/roles.ts';
import { isExposed } from '../../../semantics/visibility.ts';

/** Places where a bold line is rightly something else than a heading. */
const NOT_THERE = new Set([
  'table',
  'li',
  'dt',
  'dd',
  'figure',
  'figcaption',
  'blockquote',
  'label',
  'legend',
  'caption',
  'button',
  'summary',
  'header',
  'footer',
  'nav',
  'address',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
]);
/** Words that open a remark; set in bold they stress more often than they head. */
/** Captions of tables, figures and listings are bold and short, and head nothing. */
const CAPTION =
  /^(?:table|figure|fig\.|example|listing|tabelle|abbildung|abb\.|beispiel|tableau|exemple|tabla|figura|ejemplo|tabel|figuur|voorbeeld|tabela|tabella|esempio)\s+\S{0,4}\d/i;
const REMARK =
  /^(note|nb|tip|hint|warning|caution|important|attention|remember|please note|see also|example|hinweis|achtung|wichtig|attention|important|nota|importante|let op)\b[!:.]?$/i;
/** Longest heading that is beyond doubt, and longest that is worth a question, in words. Common practice. */
const SURE_WORDS = 10;
const LIKELY_WORDS = 16;

type Message = 'bold' | 'large' | 'capitals';

export const rule = defineRule({
  id: 'headings/imitated',
  title: 'Bold line in place of a heading',
  why: 'Someone browsing by headings passes straight over it: it looks like a heading and is told to nobody as one.',
  fix: 'Make the line a real heading at the level that fits; its look follows by itself.',
  question: { ask: 'Does this line head what comes after it?', yes: 'Yes, it is a heading', no: 'No, it is only emphasis' },
  criteria: ['1.3.1'],
  techniques: ['F2', 'H42'],
  weight: 'must',
  scope: 'any',
  remedies: ['make-heading'],
  messages: {
    bold: 'The bold line “{text}” looks like a heading but is not one',
    large: 'The large line “{text}” looks like a heading but is not one',
    capitals: 'The line in capitals, “{text}”, looks like a heading but is not one',
  },
  tags: ['p', 'div', 'center'],
  visit(page, element, tell) {
    // A line that nobody reads as running text (an editor's) is no passage.
    if (roleOf(element) === 'heading' || !isLeafBlock(page, element) || !passagesByBlock(page).has(element)) return;
    if (childElements(element).some((child) => roleOf(child) === 'link' && shownText(page, child) === shownText(page, element))) return;
    const looks = sharedLooks(page, element);
    const message = looks && messageFor(looks);
    if (!message || standsElsewhere(page, element)) return;
    const text = shownText(page, element);
    const words = text.split(' ').length;
    if (words > LIKELY_WORDS || text.length > 140 || markersOf(text)[0]?.kind === 'bullet' || !/\p{L}/u.test(text) || CAPTION.test(text))
      return;
    const next = nextBlock(page, element);
    if (!next) return;
    tell({
      at: element,
      message,
      values: { text },
      subject: text,
      ...(isSure(page, text, words, looks, next) ? {} : ({ outcome: 'cantTell', weight: 'should' } satisfies Partial<Report>)),
    });
  },
});

function messageFor(looks: Looks): Message | null {
  if (looks.large) return 'large';
  if (looks.bold) return 'bold';
  return looks.capitals ? 'capitals' : null;
}

function standsElsewhere(page: Page, element: ElementNode): boolean {
  return (
    closest(element, (up) => NOT_THERE.has(up.tag)) !== null ||
    controlAround(page, element) !== null ||
    ['button', 'link', 'tab'].includes(roleOf(element) ?? '')
  );
}

/** The block after this one, when what follows is content and not another part of the page. */
function nextBlock(page: Page, element: ElementNode): ElementNode | null {
  const siblings = element.parent!.children;
  for (let i = element.index + 1; i < siblings.length; i++) {
    const next = siblings[i]!;
    if (next.kind === 'text' && tidy(next.text)) return null;
    if (next.kind !== 'element' || !isExposed(page, next)) continue;
    if (/^h[1-6]$|^hr$/.test(next.tag) || !isBlock(next)) return null;
    if (shownText(page, next) || childElements(next).length > 0) return next;
  }
  return null;
}

function isSure(page: Page, text: string, words: number, looks: Looks, next: ElementNode): boolean {
  if (words > SURE_WORDS || !(looks.bold || looks.large) || REMARK.test(text) || /[.!:;,…]$/.test(text)) return false;
  // Several bold lines in a row are a stressed passage or an address, not headings.
  const looksNext = isLeafBlock(page, next) ? sharedLooks(page, next) : null;
  return !(looksNext && (looksNext.bold || looksNext.large));
}
