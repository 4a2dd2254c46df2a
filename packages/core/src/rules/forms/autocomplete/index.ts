import { has, valueOf } from '../../../document/tree.ts';
import { fields, inputType } from '../../../semantics/fields.ts';
import { nameOf } from '../../../semantics/names.ts';
import { autocompleteHolds, purposeOf } from '../../../standards/autocomplete.ts';
import { defineRule } from '../../types.ts';

const TYPED = new Set(['text', 'email', 'tel', 'url', 'date', 'search', 'select', 'textarea', 'number', 'password']);

export const rule = defineRule({
  id: 'forms/autocomplete',
  title: 'Field about the user that cannot be filled in for them',
  why: 'People who type with effort, or forget, have to enter their own address again and again.',
  fix: 'Say in the field’s autocomplete what it asks for.',
  criteria: ['1.3.5'],
  techniques: ['H98'],
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    missing: '“{text}” asks about the user and does not say so in its autocomplete: {purpose}',
    invalid: 'The autocomplete “{value}” is none that HTML knows',
  },
  end(page, tell) {
    for (const field of fields(page)) {
      if (!TYPED.has(inputType(field))) continue;
      const value = valueOf(field, 'autocomplete');
      const text = nameOf(page, field).name;
      if (value !== null && value.trim() !== '' && !autocompleteHolds(value))
        tell({ at: field, message: 'invalid', values: { value }, subject: `${text} ${value}` });
      else if (!has(field, 'autocomplete') && inputType(field) !== 'search') {
        const purpose = purposeOf(text);
        if (purpose) tell({ at: field, message: 'missing', values: { text, purpose }, subject: text });
      }
    }
  },
});
