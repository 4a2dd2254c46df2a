import { defineRule } from '../../types.ts';
import { sheetTexts } from '../../../style/cascade.ts';
import { attributed } from '../../../document/tagged.ts';
import { valueOf, tidy } from '../../../document/tree.ts';
import { isFocusable } from '../../../semantics/roles.ts';
import { isExposed } from '../../../semantics/visibility.ts';
export const rule = defineRule({
  id: 'structure/focus-unseen',
  title: 'Focus that cannot be seen',
  why: 'Someone at the keyboard does not know where on the page they are.',
  fix: 'Leave the browser’s line around what has focus, or draw another sign in its place.',
  question: { ask: 'Is the focus lost from sight here?', yes: 'Yes, it has to be shown', no: 'No, another sign shows it', same: ['piece'] },
  criteria: ['2.4.7'],
  techniques: ['F78'],
  weight: 'must',
  scope: 'any',
  remedies: [],
  messages: {
    gone: 'The style “{selector}” takes away the line that shows the focus and puts nothing in its place',
  },
  end(page, tell) {
    for (const { element, text } of sheetTexts(page)) {
      const selector = unseenFocus(text);
      if (selector) tell({ at: element, message: 'gone', values: { selector }, subject: selector, outcome: 'cantTell' });
    }
    for (const element of attributed(page))
      if (
        /(?:^|;)\s*outline(?:-style|-width)?\s*:\s*(?:none|0(?:px)?)\s*(?:!important)?\s*(?:;|$)/i.test(valueOf(element, 'style') ?? '') &&
        isFocusable(element) &&
        isExposed(page, element)
      )
        tell({
          at: element,
          message: 'gone',
          values: { selector: `style on ${element.tag}` },
          subject: `style ${element.tag}`,
          outcome: 'cantTell',
        });
  },
});

const RULE = /([^{}]+)\{([^{}]*)\}/g;
const NO_LINE = /(?:^|[;\s])outline(?:-style|-width)?\s*:\s*(?:none|0(?:px)?)(?=[\s;!]|$)/i;
/** Declarations that can show the focus in another way. */
const OTHER_SIGN =
  /(?:^|[;\s])(?:border[\w-]*|box-shadow|background(?:-color|-image)?|text-decoration[\w-]*|color|transform|outline(?:-color)?)\s*:(?!\s*(?:none|0(?:px)?\s*(?:;|!|$)|transparent|inherit))/i;
/** Longer sheets are looked at this far. */
const MOST = 400_000;

/** The first selector that hides the focus of some things, with no sign in its place anywhere in the sheet; null when none does. */
function unseenFocus(css: string): string | null {
  const plain = css.slice(0, MOST).replace(/\/\*[^]*?\*\//g, '');
  if (!/outline/i.test(plain)) return null;
  let hidden: string | null = null;
  for (const [, selector, block] of plain.matchAll(RULE)) {
    const hides = /:focus(?![\w-])/.test(selector!) || /^\s*(?:\*|a|button|input|:focus)\s*$/.test(selector!);
    if (/:focus(?:-visible)?(?![\w])/.test(selector!) && !NO_LINE.test(block!) && OTHER_SIGN.test(block!)) return null;
    if (hides && NO_LINE.test(block!) && !OTHER_SIGN.test(block!.replace(NO_LINE, ''))) hidden ??= tidy(selector!);
  }
  return hidden;
}
