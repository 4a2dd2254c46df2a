import { childElements, elementsIn, has, valueOf } from '../../../document/tree.ts';
import { knownTables } from '../../../semantics/dataTables.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';

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
  messages: { marks: 'This table only places things, and yet has {marks}' },
  end(page, tell) {
    for (const { element, use, grid } of knownTables(page)) {
      if (use !== 'layout') continue;
      const marks: string[] = [];
      if (grid.cells.some((cell) => cell.element.tag === 'th')) marks.push('header cells');
      if (childElements(element).some((child) => child.tag === 'caption')) marks.push('a caption');
      if ((valueOf(element, 'summary') ?? '').trim()) marks.push('a summary');
      if ([...elementsIn(element)].some((inner) => inner.tag === 'td' && has(inner, 'scope'))) marks.push('scopes');
      if (marks.length > 0)
        tell({ at: element, message: 'marks', values: { marks: marks.join(', ') }, subject: shownText(page, element, 80) });
    }
  },
});
