import { childElements, closestWithin, elementsIn, has, valueOf, type ElementNode } from '../../../document/tree.ts';
import type { Page } from '../../../document/page.ts';
import { nameOf } from '../../../semantics/names.ts';
import { roleOf } from '../../../semantics/roles.ts';
import { defineRule } from '../../types.ts';

export const rule = defineRule({
  id: 'structure/tabs-accordion',
  title: 'Tabs or folds whose parts are not tied together',
  why: 'A listener is not told which part is open, or what opening one has shown.',
  fix: 'Tie each tab to its panel, say which is chosen, and name the panels; let a fold have a summary.',
  criteria: ['4.1.2', '1.3.1'],
  techniques: ['ARIA5'],
  practice: true,
  weight: 'should',
  scope: 'any',
  remedies: [],
  messages: {
    outside: 'The tab “{text}” stands in no list of tabs',
    chosen: 'None of the tabs of this list says whether it is chosen',
    empty: 'This list of tabs holds no tab',
    panel: 'This tab panel has no name',
    summary: 'This fold has no summary, so nothing says what it opens',
    state: '“{text}” says that it opens something and is no control',
  },
  tags: ['details', '[role=tab]', '[role=tablist]', '[role=tabpanel]', '*'],
  visit(page, element, tell) {
    const message = troubleOf(page, element);
    const text = message ? nameOf(page, element).name || element.tag : '';
    if (message) tell({ at: element, message, values: { text }, subject: text });
  },
});

const OPENERS = new Set([
  'button',
  'link',
  'combobox',
  'menuitem',
  'tab',
  'treeitem',
  'row',
  'gridcell',
  'columnheader',
  'rowheader',
  'checkbox',
  'switch',
  'application',
  'listbox',
  'menuitemcheckbox',
  'menuitemradio',
]);

function troubleOf(page: Page, element: ElementNode): 'outside' | 'chosen' | 'empty' | 'panel' | 'summary' | 'state' | null {
  const role = roleOf(element);
  if (element.tag === 'details')
    return childElements(element)[0]?.tag === 'summary' || childElements(element).some((child) => child.tag === 'summary')
      ? null
      : 'summary';
  if (role === 'tab') return isInTablist(element) ? null : 'outside';
  if (role === 'tablist') {
    const tabs = [...elementsIn(element)].filter((inner) => roleOf(inner) === 'tab');
    if (tabs.length === 0) return has(element, 'aria-owns') ? null : 'empty';
    return tabs.some((tab) => has(tab, 'aria-selected')) ? null : 'chosen';
  }
  if (role === 'tabpanel') return nameOf(page, element).name ? null : 'panel';
  const expanded = (valueOf(element, 'aria-expanded') ?? '').trim();
  return expanded !== '' && !OPENERS.has(role ?? '') ? 'state' : null;
}

function isInTablist(tab: ElementNode): boolean {
  return closestWithin(tab, 6, (up) => roleOf(up) === 'tablist') !== null;
}
