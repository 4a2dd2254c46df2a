import { elementParent, tidy } from '../../../document/tree.ts';
import { fileNameOf } from '../../../semantics/images.ts';
import { hexOf } from '../../../style/colour.ts';
import { coloursIn, shownTexts } from '../../../style/contrast.ts';
import { defineRule } from '../../types.ts';
import { isInside, FURNITURE } from '../../../semantics/inside.ts';

export const rule = defineRule({
  id: 'colour/unknown-ground',
  title: 'Text over an image or gradient',
  why: 'Where the background is busy or pale, some of the words may not be seen.',
  fix: 'Lay a plain, solid background under the text, or look whether it stands out everywhere.',
  question: {
    ask: 'Is the text too faint against some part of its background?',
    yes: 'Yes, it needs a plain background',
    no: 'No, it stands out everywhere',
    same: ['piece'],
  },
  criteria: ['1.4.3'],
  techniques: ['G18'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: { image: 'Text in {color} stands over the image {ground}', gradient: 'Text in {color} stands over a gradient' },
  end(page, tell) {
    const asked = new Set<string>();
    for (const text of shownTexts(page)) {
      const element = elementParent(text)!;
      const { color, image, certain } = coloursIn(page, element);
      if (certain || image === null) continue;
      // A strip behind the page's own menus is furniture: it is the house's template, looked at once elsewhere.
      if (isInside(page, element, FURNITURE)) continue;
      const key = image;
      if (asked.has(key)) continue;
      asked.add(key);
      const address = /url\(\s*["']?([^"')]+)/i.exec(image)?.[1];
      tell({
        at: element,
        message: address ? 'image' : 'gradient',
        values: { color: hexOf(color), ground: address ? fileNameOf(address) || 'behind it' : '' },
        subject: `${key} ${tidy(text.text).slice(0, 40)}`,
        outcome: 'cantTell',
      });
    }
  },
});
