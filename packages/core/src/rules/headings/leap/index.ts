import { defineRule } from '../../types.ts';
import { outline } from '../../../semantics/outline.ts';

export const rule = defineRule({
  id: 'headings/leap',
  title: 'Heading level that leaps',
  why: 'Someone who moves through the page by heading level takes the gap for a missing section and goes looking for it.',
  fix: 'Give this heading the level just below the heading it belongs to.',
  criteria: ['1.3.1'],
  techniques: ['G141', 'H42'],
  weight: 'should',
  scope: 'any',
  remedies: ['set-level', 'repair-outline'],
  messages: { leap: '“{text}” leaps from level {from} to level {to}' },
  end(page, tell) {
    for (const heading of outline(page)) {
      if (!heading.under || heading.level <= heading.under.level + 1) continue;
      tell({ at: heading.element, message: 'leap', values: { text: heading.name, from: heading.under.level, to: heading.level } });
    }
  },
});
