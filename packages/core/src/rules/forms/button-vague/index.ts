import { defineRule } from '../../types.ts';
import { tagged } from '../../../document/tagged.ts';
import { roleOf } from '../../../semantics/roles.ts';
import { isExposed } from '../../../semantics/visibility.ts';
import { bare, phrasesOf } from '../../../standards/phrases/index.ts';
import { nameOf } from '../../../semantics/names.ts';
import { valueOf } from '../../../document/tree.ts';
export const rule = defineRule({
  id: 'forms/button-vague',
  title: 'Button that does not say what it does',
  why: 'In a list of controls it says nothing, and several like it cannot be told apart.',
  fix: 'Write on the button what happens when it is pressed.',
  question: {
    ask: 'Does this button need better words?',
    yes: 'Yes, it needs better words',
    no: 'No, it is plain where it stands',
    same: ['piece'],
  },
  criteria: ['2.4.6'],
  techniques: ['G131'],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['reword'],
  messages: {
    vague: 'The button says only “{text}”',
  },
  end(page, tell) {
    const buttons = tagged(page, 'button', 'input', 'a', 'div', 'span').filter(
      (element) => roleOf(element) === 'button' && isExposed(page, element),
    );
    const lone = buttons.filter((element) => ALONE.has(bare(nameOf(page, element).name))).length;
    for (const element of buttons) {
      const { name } = nameOf(page, element);
      const text = bare(name);
      if (!phrasesOf('vagueButtons').has(text) && !(ALONE.has(text) && lone > 1)) continue;
      tell({
        at: element,
        message: 'vague',
        values: { text: name },
        subject: `${text} ${valueOf(element, 'id') ?? ''}`,
        outcome: 'cantTell',
        ...(element.tag === 'input' ? { remedies: [] } : {}),
      });
    }
  },
});

/** Plain for the one form of a page; of several nobody can tell which is which. */
const ALONE = new Set(['submit', 'ok', 'send', 'go', 'abschicken', 'senden', 'envoyer', 'enviar', 'verzenden', 'invia']);
