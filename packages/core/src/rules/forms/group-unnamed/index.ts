import { groupedBy } from '../../../document/grouped.ts';
import { closest, valueOf, type ElementNode } from '../../../document/tree.ts';
import { fields, inputType } from '../../../semantics/fields.ts';
import { nameOf } from '../../../semantics/names.ts';
import { roleOf } from '../../../semantics/roles.ts';
import type { Page } from '../../../document/page.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'forms/group-unnamed',
  title: 'Choices without their question',
  why: 'A listener hears “yes” and “no” and not what they answer.',
  fix: 'Put the choices into a group whose legend asks the question.',
  criteria: ['1.3.1', '3.3.2'],
  techniques: ['H71'],
  weight: 'should',
  scope: 'any',
  remedies: ['add-legend'],
  messages: { group: '{many} choices belong together here and no legend says what they answer' },
  end(page, tell) {
    const groups = groupedBy(
      fields(page).filter((field) => ['radio', 'checkbox'].includes(inputType(field)) && valueOf(field, 'name')),
      (field) => `${inputType(field)} ${valueOf(field, 'name')}`,
    );
    for (const [key, group] of groups) {
      if (group.length < 2 || isNamed(page, group[0]!)) continue;
      tell({ at: group[0]!, message: 'group', values: { many: group.length }, subject: key });
    }
  },
});

function isNamed(page: Page, field: ElementNode): boolean {
  return closest(field, (up) => ['group', 'radiogroup'].includes(roleOf(up) ?? '') && nameOf(page, up).name !== '') !== null;
}
