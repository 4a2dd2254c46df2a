import { defineRule } from '../../types.ts';
import { images } from '../../../semantics/imageContext.ts';
import { writtenAlternative } from '../../../semantics/images.ts';
import { groupedBy } from '../../../document/grouped.ts';
import { passages } from '../../../semantics/passages.ts';
import { isInside, IN } from '../../../semantics/inside.ts';
import { elementParent } from '../../../document/tree.ts';
export const rule = defineRule({
  id: 'text/formula',
  title: 'Formula that is not told as one',
  why: 'It is read sign by sign as code, or not at all.',
  fix: 'Write it in MathML, or say it in words.',
  question: {
    ask: 'Is this formula hard to follow by ear?',
    yes: 'Yes, it needs MathML or words',
    no: 'No, it is plain as it is',
    same: ['words', 'language'],
  },
  criteria: ['1.1.1', '1.3.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['describe'],
  messages: {
    code: 'A formula is written as code: {text}',
    alt: 'The alternative text of an image is the code of a formula: {text}',
  },
  end(page, tell) {
    const images_ = images(page).filter((image) => TEX.test(writtenAlternative(image) ?? ''));
    for (const [alt, same] of groupedBy(images_.slice(0, 1), (image) => writtenAlternative(image)))
      tell({
        at: same[0]!,
        places: images_,
        message: 'alt',
        values: { text: alt, many: images_.length },
        subject: alt,
        outcome: 'cantTell',
      });
    const raw = passages(page).filter(
      (passage) =>
        (passage.text.includes('\\') || passage.text.includes('$$')) &&
        !passage.kept &&
        !isInside(page, passage.block, IN.code) &&
        RAW.test(passage.text) &&
        !passage.texts.some((text) => isInside(page, elementParent(text)!, IN.code)),
    );
    const [first] = raw;
    if (first)
      tell({
        at: first.block,
        places: raw.map((passage) => passage.block),
        message: 'code',
        values: { text: RAW.exec(first.text)![0], many: raw.length },
        subject: first.text,
        outcome: 'cantTell',
        remedies: [],
      });
  },
});

/** Commands of TeX, or what stands between its dollar signs. */
const TEX =
  /\\(?:frac|sum|int|sqrt|begin|left|right|cdot|times|alpha|beta|gamma|delta|theta|lambda|mu|pi|sigma|omega|infty|partial|mathrm|mathbf|le|ge|ne|in)\b|^\$[^$]+\$$|\$\\?displaystyle/;
const RAW = /\\(?:frac|sqrt|sum|int|mathrm|mathbf)\s*[{_^]|\\begin\{(?:equation|align|matrix)[*]?\}|\\\([^)]{2,80}\\\)|\$\$[^$]{3,200}\$\$/;
