import { valueOf } from '../document/tree.ts';
import { fittingScope, headerModel, tableOfCell } from '../semantics/tableHeaders.ts';
import { dropAttribute, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy, type Target } from './types.ts';

/** Lets a header's scope say what the table says, and takes it off data cells. */
export const remedy: Remedy = {
  name: 'set-scope',
  label: 'Set the right scope',
  certain: true,
  fields: [],
  plan(target) {
    const { page, element } = target;
    const edit = element.tag === 'td' ? dropAttribute(page, element, 'scope') : setAttribute(element, 'scope', scopeFor(target));
    return edit ? planned(edit) : decline(NO_SOURCE);
  },
};

/** What the data around it says; else what was most likely meant; else the row it stands in. */
function scopeFor({ page, element }: Target): string {
  const table = tableOfCell(element);
  const cell = table && headerModel(page, table).cells.get(element);
  const fitting = table && cell ? fittingScope(page, table, cell) : null;
  const written = (valueOf(element, 'scope') ?? '').trim().toLowerCase();
  return fitting ?? (/^col/.test(written) ? 'col' : /^row/.test(written) ? 'row' : cell?.row === 0 ? 'col' : 'row');
}
