import type { ElementNode } from '../../../document/tree.ts';
import { elementParent } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { IN, isInside } from '../../../semantics/inside.ts';
import { passages } from '../../../semantics/passages.ts';
import { styleOf } from '../../../style/cascade.ts';
import { defineRule } from '../../types.ts';

/** Shorter texts than this may be set as one likes. Common practice. */
const LONG = 30;
const CENTRED = new Set(['center', '-webkit-center']);

export const rule = defineRule({
  id: 'text/justified',
  title: 'Long text justified or centred',
  why: 'Uneven gaps between words, or lines that begin at a new place each time, make many readers lose the line.',
  fix: 'Let long text begin at one edge.',
  criteria: ['1.4.8'],
  techniques: ['F88'],
  weight: 'should',
  atAAA: { weight: 'must' },
  scope: 'any',
  remedies: ['clear-align'],
  messages: { justified: 'Text of {words} words and more is justified here', centred: 'Text of {words} words and more is centred here' },
  end(page, tell) {
    const told = new Set<ElementNode>();
    for (const { block, text, words, kept } of passages(page)) {
      const { textAlign } = styleOf(page, block);
      const kind = textAlign === 'justify' || textAlign === 'justify-all' ? 'justified' : CENTRED.has(textAlign) ? 'centred' : null;
      if (!kind || kept || isInside(page, block, IN.heading | IN.caption)) continue;
      const at = words >= LONG ? setter(page, block, textAlign) : null;
      if (!at || told.has(at)) continue;
      told.add(at);
      tell({ at, message: kind, values: { words }, subject: `${kind} ${text.slice(0, 80)}` });
    }
  },
});

/** The outermost element from which the alignment comes down. */
function setter(page: Page, block: ElementNode, align: string): ElementNode {
  let here = block;
  for (let up = elementParent(here); up && styleOf(page, up).textAlign === align; up = elementParent(up)) here = up;
  return here;
}
