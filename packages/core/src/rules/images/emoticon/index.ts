import { elementParent } from '../../../document/tree.ts';
import { IN, isInside } from '../../../semantics/inside.ts';
import { passages } from '../../../semantics/passages.ts';
import { roleOf } from '../../../semantics/roles.ts';
import { defineRule } from '../../types.ts';

/** Brackets around signs, and signs of code or formulas, are no faces: one stands apart, behind words. */
const FACE = /(?:^|[\p{L}\p{N}.,!?]\s)([:;]['’]?-[()DPpO|/\\*x]|[:;][()DP]|<3)(?=$|[\s.,!?])/u;
const RUN = /(?:\p{Extended_Pictographic}\ufe0f?(?:\u200d\p{Extended_Pictographic}\ufe0f?)*\s*){3,}/u;
/** Whether a text can hold one at all: most texts are settled by this. */
const MAYBE = /[:;=<][-'’()DPpO|/\\*x3]|[\u2190-\u2bff\u3030\u303d\u3297\u3299]|[\ud83c-\ud83e]/;

export const rule = defineRule({
  id: 'images/emoticon',
  title: 'Face or run of emoji',
  why: 'It is read sign by sign, or each emoji by its full name, and the mood is lost.',
  fix: 'Say it in words, or give it a name that is read in its place.',
  question: { ask: 'Does this tell the reader something?', yes: 'Yes, it needs words', no: 'No, it may stay', same: ['piece'] },
  criteria: ['1.1.1'],
  techniques: ['H86'],
  weight: 'consider',
  scope: 'any',
  remedies: ['wrap-with-name'],
  messages: { face: 'The face {signs} is read sign by sign', run: 'The run {signs} is read out emoji by emoji' },
  end(page, tell) {
    for (const { text: whole, texts, kept } of passages(page)) {
      if (kept || !MAYBE.test(whole)) continue;
      for (const text of texts) {
        if (!MAYBE.test(text.text)) continue;
        const parent = elementParent(text)!;
        if (isInside(page, parent, IN.code) || roleOf(parent) === 'img') continue;
        const found = FACE.exec(text.text);
        // A bracket that closes one before it is no mouth.
        const face = found && !(found[1]!.endsWith(')') && opensBracket(text.text.slice(0, found.index + 1))) ? found : null;
        const run = face ? null : RUN.exec(text.text);
        if (face || run)
          tell({ at: parent, message: face ? 'face' : 'run', values: { signs: (face?.[1] ?? run![0]).trim() }, outcome: 'cantTell' });
      }
    }
  },
});

function opensBracket(before: string): boolean {
  return before.lastIndexOf('(') > before.lastIndexOf(')');
}
