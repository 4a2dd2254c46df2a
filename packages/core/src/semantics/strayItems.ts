import type { ElementNode } from '../document/tree.ts';

/** The neighbouring items that belong in one list with this one: `li` together, `dt` and `dd` together. */
export function strayRun(item: ElementNode): ElementNode[] {
  const alike = item.tag === 'li' ? ['li'] : ['dt', 'dd'];
  const siblings = item.parent!.children;
  const at = siblings.indexOf(item);
  const run = [item];
  for (const step of [-1, 1]) {
    for (let i = at + step; i >= 0 && i < siblings.length; i += step) {
      const node = siblings[i]!;
      if (node.kind === 'comment' || (node.kind === 'text' && !/[^\s\u00a0]/.test(node.text))) continue;
      if (node.kind !== 'element' || !alike.includes(node.tag)) break;
      if (step < 0) run.unshift(node);
      else run.push(node);
    }
  }
  return run;
}
