import type { BrowserContext, CDPSession, Page as Tab } from '@playwright/test';
import { inspectNames, type NameRow, type Page } from '@inkwell/core';

export interface NameTally {
  /** Elements that Chromium exposes with a role that says something. */
  exposed: number;
  /** Same path, role, name, and level where it has one. */
  equal: number;
  unlike: string[];
}

interface AxNode {
  ignored: boolean;
  role?: { value: string };
  name?: { value: string };
  properties?: { name: string; value: { value: unknown } }[];
  backendDOMNodeId?: number;
}

/** Chromium's own words for roles, in WAI-ARIA's. Roles it makes up for boxes are left out of the comparison on both sides. */
const ARIA_WORDS: Record<string, string> = {
  image: 'img',
  gridcell: 'gridcell',
  Figcaption: 'caption',
  DisclosureTriangle: 'button',
  DisclosureTriangleGrouped: 'button',
  contentInfo: 'contentinfo',
  textbox: 'textbox',
  ToggleButton: 'button',
  MenuListPopup: 'listbox',
  ListBox: 'listbox',
  PopUpButton: 'combobox',
  InputTime: 'textbox',
  ColorWell: 'textbox',
  Date: 'textbox',
  DateTime: 'textbox',
  SvgRoot: 'graphics-document',
  'graphics-document': 'graphics-document',
  DescriptionListTerm: 'term',
  DescriptionListDetail: 'definition',
  ComboBoxSelect: 'combobox',
  ComboBoxMenuButton: 'combobox',
};
const NOT_COMPARED = new Set([
  'generic',
  'none',
  'presentation',
  'GenericContainer',
  'StaticText',
  'InlineTextBox',
  'RootWebArea',
  'LineBreak',
  'ListMarker',
  'LabelText',
  'Iframe',
  'IframePresentational',
  'EmbeddedObject',
  'PluginObject',
  'Canvas',
  'Pre',
  'Abbr',
  'Ruby',
  'RubyAnnotation',
  'Details',
  'Section',
  'SectionHeader',
  'SectionFooter',
  'DescriptionList',
  'Legend',
  'LegendTag',
  'Video',
  'Audio',
  'MathMLMath',
  'math',
  'MenuListOption',
  'option',
  'listbox',
  'Unknown',
  'ignored',
  'graphics-document',
  'graphics-object',
  'graphics-symbol',
]);

const ALL_PATHS = `(() => {
  const paths = [];
  const walk = [[document.documentElement, '/html[1]']];
  const nodes = [];
  while (walk.length) {
    const [element, path] = walk.pop();
    nodes.push(element); paths.push(path);
    const counts = {};
    for (const child of element.children) { counts[child.localName] = (counts[child.localName] || 0) + 1; walk.push([child, path + '/' + child.localName + '[' + counts[child.localName] + ']']); }
  }
  globalThis.__nodes = nodes;
  return paths;
})()`;

/** Paths of the page's elements by the browser's own number for each. */
async function pathsByNode(session: CDPSession): Promise<Map<number, string>> {
  const { result: paths } = await session.send('Runtime.evaluate', { expression: ALL_PATHS, returnByValue: true });
  const { root } = await session.send('DOM.getDocument', { depth: -1 });
  const found = new Map<number, string>();
  interface Dom {
    backendNodeId: number;
    nodeType: number;
    localName: string;
    children?: Dom[];
  }
  const waiting: [Dom, string][] = [[root as Dom, '']];
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const [node, path] = next;
    if (path) found.set(node.backendNodeId, path);
    const counts = new Map<string, number>();
    for (const child of node.children ?? []) {
      if (child.nodeType !== 1) continue;
      const place = (counts.get(child.localName) ?? 0) + 1;
      counts.set(child.localName, place);
      waiting.push([child, `${path}/${child.localName}[${place}]`]);
    }
  }
  if (found.size !== (paths.value as string[]).length) throw new Error('the two walks of the page disagree');
  return found;
}

const tidy = (text: string) => text.replace(/[\s\u00a0]+/g, ' ').trim();

async function rowsInBrowser(session: CDPSession): Promise<{ rows: Map<string, string>; guessed: Set<string> }> {
  const paths = await pathsByNode(session);
  const { nodes } = (await session.send('Accessibility.getFullAXTree')) as unknown as { nodes: AxNode[] };
  const rows = new Map<string, string>();
  const guessed = new Set<string>();
  for (const node of nodes) {
    const role = ARIA_WORDS[node.role?.value ?? ''] ?? node.role?.value ?? '';
    const path = paths.get(node.backendDOMNodeId ?? -1);
    if (!path) continue;
    // Which tables it takes for layout is the browser's own guess.
    if (role.startsWith('LayoutTable')) guessed.add(path);
    if (node.ignored || NOT_COMPARED.has(role)) continue;
    const level = role === 'heading' ? ` ${String(node.properties?.find((property) => property.name === 'level')?.value.value)}` : '';
    rows.set(path, `${role}${level} “${tidy(node.name?.value ?? '')}”`);
  }
  return { rows, guessed };
}

function line(row: NameRow): string {
  return `${row.role}${row.role === 'heading' ? ` ${row.level}` : ''} “${row.name}”`;
}

/** Compares roles, names and levels, element by element, with Chromium's accessibility tree. */
export async function compareNames(context: BrowserContext, tab: Tab, page: Page, file: string): Promise<NameTally> {
  const session = await context.newCDPSession(tab);
  await session.send('DOM.enable');
  await session.send('Accessibility.enable');
  const { rows: theirs, guessed } = await rowsInBrowser(session);
  await session.detach();
  const ours = new Map(
    inspectNames(page)
      .filter((row) => !NOT_COMPARED.has(row.role))
      .map((row) => [row.path, line(row)]),
  );
  const tally: NameTally = { exposed: 0, equal: 0, unlike: [] };
  for (const path of new Set([...theirs.keys(), ...ours.keys()])) {
    if (guessed.has(path)) continue;
    tally.exposed++;
    const [mine, other] = [ours.get(path), theirs.get(path)];
    if (mine === other) tally.equal++;
    else tally.unlike.push(`NAME ${file} ${path}: ${mine ?? 'nothing'} here, ${other ?? 'nothing'} in the browser`);
  }
  return tally;
}
