import { valueOf } from '../../../document/tree.ts';
import { knownTables, marksOn } from '../../../semantics/dataTables.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';
import { groupedBy } from '../../../document/grouped.ts';

export const rule = defineRule({
  id: 'tables/layout-marked',
  title: 'Layout table with marks of a data table',
  why: 'A listener is told of headers and captions of a table that is none.',
  fix: 'Take the header cells, the caption and the scopes out of it.',
  criteria: ['1.3.1'],
  techniques: ['F46'],
  weight: 'must',
  scope: 'any',
  remedies: ['strip-marks'],
  messages: {
    marks: 'This table only places things, and yet has {marks}',
    several: '{many} tables built alike only place things, and yet have {marks}',
  },
  end(page, tell) {
    const marked = knownTables(page)
      .filter((table) => table.use === 'layout')
      .map((table) => ({ ...table, marks: marksOn(page, table).join(', ') }))
      .filter((table) => table.marks !== '');
    for (const tables of groupedBy(
      marked,
      ({ marks, element, grid }) => `${marks} ${valueOf(element, 'class') ?? ''} ${grid.columns}`,
    ).values()) {
      const { element, marks } = tables[0]!;
      tell({
        at: element,
        places: tables.map((table) => table.element),
        message: tables.length > 1 ? 'several' : 'marks',
        values: { marks, many: tables.length },
        subject: shownText(page, element, 80),
      });
    }
  },
});
