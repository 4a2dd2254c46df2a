import { valueOf } from '../../../document/tree.ts';
import { fields, inputType, wordsBeside } from '../../../semantics/fields.ts';
import { nameOf } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'forms/unlabelled',
  title: 'Field without a label',
  why: 'A listener lands in a field and is not told what to enter.',
  fix: 'Give the field a label that can be seen and belongs to it.',
  criteria: ['1.3.1', '3.3.2', '4.1.2'],
  techniques: ['H44', 'F68', 'F82'],
  weight: 'must',
  scope: 'any',
  remedies: ['label'],
  messages: {
    none: 'This field ({kind}) has no label',
    placeholder: 'Only the grey words “{text}” name this field, and they go as soon as one types',
  },
  end(page, tell) {
    for (const field of fields(page)) {
      const { name, from } = nameOf(page, field);
      const subject = `${valueOf(field, 'name') ?? ''} ${valueOf(field, 'id') ?? ''} ${wordsBeside(page, field)}`;
      if (!name) tell({ at: field, message: 'none', values: { kind: inputType(field) }, subject });
      else if (from === 'placeholder') tell({ at: field, message: 'placeholder', values: { text: name }, subject });
    }
  },
});
