/** A stretch of the decoded source, in UTF-16 units, `end` exclusive. */
export interface Range {
  start: number;
  end: number;
}

export interface Attribute {
  name: string;
  value: string;
  /** The whole attribute as written, or null when the parser made it up. */
  range: Range | null;
}

export interface ElementNode {
  kind: 'element';
  tag: string;
  /** `html`, `svg` or `math`. */
  space: 'html' | 'svg' | 'math';
  attributes: Attribute[];
  parent: ParentNode | null;
  children: TreeNode[];
  /** Content of a `template`, which takes no part in the page. */
  content: RootNode | null;
  /** From the start tag's `<` to the end of the element, or null when the source has no tag for it; of a stray end tag, that tag. */
  range: Range | null;
  startTag: Range | null;
  /** Null when the end tag is left out. */
  endTag: Range | null;
  /** Closed by its start tag, as XML may: it holds nothing, and nothing can be written into it. */
  selfClosed?: boolean;
  /** The prefix its name is written with, in XML. */
  prefix?: string;
  /** Place in a walk of the document, parents first; -1 before the walk. */
  order: number;
  /** Place among its parent's children. */
  index: number;
}

export interface TextNode {
  kind: 'text';
  text: string;
  parent: ParentNode | null;
  range: Range | null;
}

export interface CommentNode {
  kind: 'comment';
  text: string;
  parent: ParentNode | null;
  range: Range | null;
}

export interface RootNode {
  kind: 'root';
  children: TreeNode[];
  parent: null;
}

export type TreeNode = ElementNode | TextNode | CommentNode;
export type ParentNode = ElementNode | RootNode;

export function attributeOf(element: ElementNode, name: string): Attribute | undefined {
  const { attributes } = element;
  for (let i = 0; i < attributes.length; i++) if (attributes[i]!.name === name) return attributes[i];
  return undefined;
}

/** The attribute's value, or null when the element does not have it. */
export function valueOf(element: ElementNode, name: string): string | null {
  return attributeOf(element, name)?.value ?? null;
}

export function has(element: ElementNode, name: string): boolean {
  return attributeOf(element, name) !== undefined;
}

export function elementParent(node: TreeNode): ElementNode | null {
  return node.parent?.kind === 'element' ? node.parent : null;
}

/** The nearest ancestor that passes, the element itself not counted. */
export function closest(node: TreeNode, passes: (ancestor: ElementNode) => boolean): ElementNode | null {
  for (let up = elementParent(node); up; up = elementParent(up)) if (passes(up)) return up;
  return null;
}

/** The nearest of the `most` ancestors next above that passes. */
export function closestWithin(node: TreeNode, most: number, passes: (ancestor: ElementNode) => boolean): ElementNode | null {
  let here = elementParent(node);
  let steps = 0;
  while (here !== null && steps < most) {
    if (passes(here)) return here;
    here = elementParent(here);
    steps++;
  }
  return null;
}

export function childElements(parent: ParentNode): ElementNode[] {
  return parent.children.filter((child): child is ElementNode => child.kind === 'element');
}

/** Every node below `root` in document order, without recursion: input may nest deeply. */
export function* descendants(root: ParentNode): Generator<TreeNode> {
  const stack: { nodes: TreeNode[]; at: number }[] = [{ nodes: root.children, at: 0 }];
  while (stack.length > 0) {
    const top = stack[stack.length - 1]!;
    const node = top.nodes[top.at++];
    if (!node) {
      stack.pop();
      continue;
    }
    yield node;
    if (node.kind === 'element') stack.push({ nodes: node.children, at: 0 });
  }
}

export function* elementsIn(root: ParentNode): Generator<ElementNode> {
  for (const node of descendants(root)) if (node.kind === 'element') yield node;
}

/** All text below a node as written, hidden or not. */
export function rawText(root: ParentNode): string {
  let text = '';
  for (const node of descendants(root)) if (node.kind === 'text') text += node.text;
  return text;
}

/** Runs of ASCII white space as one space, ends trimmed. No-break spaces count as space too. */
export function tidy(text: string): string {
  // Most texts are tidy already but for their ends, and looking is quicker than writing anew.
  if (!/[^\S ]| {2}/.test(text)) return text.trim();
  return text.replace(/[\s\u00a0]+/g, ' ').trim();
}
