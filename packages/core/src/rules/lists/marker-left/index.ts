import { realLists, repeatedMarker } from '../../../semantics/lists.ts';
import { shownText } from '../../../semantics/names.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'lists/marker-left',
  title: 'Typed marker left inside list items',
  why: 'Each item is announced with its number or bullet and then read out with another one.',
  fix: 'Take the typed markers out; the list brings its own.',
  criteria: ['1.3.1'],
  techniques: [],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: ['strip-marker'],
  messages: { left: '{many} items of this list begin with a typed marker, as “{first}” does' },
  end(page, tell) {
    for (const list of realLists(page)) {
      if (list.kind === 'description') continue;
      const marked = list.items.filter((item, place) => repeatedMarker(page, list, item, place));
      // One item of many that begins with a dash may mean the dash.
      if (marked.length === 0 || marked.length * 2 < list.items.length) continue;
      const first = shownText(page, marked[0]!, 60);
      tell({ at: list.element, message: 'left', values: { many: marked.length, first }, subject: first });
    }
  },
});
