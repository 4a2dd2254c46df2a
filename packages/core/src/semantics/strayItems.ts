import type { ElementNode, TreeNode } from '../document/tree.ts';

function isBlank(node: TreeNode): boolean {
  return node.kind === 'comment' || (node.kind === 'text' && !/[^\s\u00a0]/.test(node.text));
}

function isAlike(item: ElementNode, node: TreeNode): node is ElementNode {
  return node.kind === 'element' && (item.tag === 'li' ? node.tag === 'li' : node.tag === 'dt' || node.tag === 'dd');
}

/** Whether no item that belongs with this one stands before it. */
export function beginsRun(item: ElementNode): boolean {
  const siblings = item.parent!.children;
  let at = item.index - 1;
  while (at >= 0 && isBlank(siblings[at]!)) at--;
  return at < 0 || !isAlike(item, siblings[at]!);
}

/** The items from this one on that belong in one list: `li` together, `dt` and `dd` together. */
export function strayRun(item: ElementNode): ElementNode[] {
  const siblings = item.parent!.children;
  const run = [item];
  for (let at = item.index + 1; at < siblings.length; at++) {
    const node = siblings[at]!;
    if (isAlike(item, node)) run.push(node);
    else if (!isBlank(node)) break;
  }
  return run;
}
