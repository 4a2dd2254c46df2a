// A page in its frame can name its images and fields like what a document or a form has of its own (`<img name="body">`, HTML's named
// access on documents and forms), and then the page's own element is read instead. So nothing is read through the page's nodes: these
// are the accessors of our own window, which no page reaches, called on the page's nodes.

type Owner = 'Document' | 'Element' | 'HTMLElement' | 'Node' | 'EventTarget';

const ownerOf = (owner: Owner): object => (globalThis as unknown as Record<Owner, { prototype: object }>)[owner].prototype;

function reader<V>(owner: Owner, name: string): (of: object) => V {
  let get: ((this: object) => V) | undefined;
  return (of) => (get ??= Object.getOwnPropertyDescriptor(ownerOf(owner), name)!.get as (this: object) => V).call(of);
}

function caller<A extends unknown[], V = void>(owner: Owner, name: string): (of: object, ...args: A) => V {
  return (of, ...args) => (Reflect.get(ownerOf(owner), name) as (...args: A) => V).apply(of, args);
}

const documentChildren = reader<HTMLCollection>('Document', 'children');
const elementChildren = reader<HTMLCollection>('Element', 'children');
const nodeType = reader<number>('Node', 'nodeType');

/** A document’s or an element’s own child elements. */
export const childrenOf = (of: Document | Element): Iterable<Element> => (nodeType(of) === 9 ? documentChildren(of) : elementChildren(of));

export const bodyOf = reader<HTMLElement | null>('Document', 'body');
export const headOf = reader<HTMLHeadElement | null>('Document', 'head');
export const rootOf = reader<HTMLElement | null>('Document', 'documentElement');
export const urlOf = reader<string>('Document', 'URL');
export const stateOf = reader<DocumentReadyState>('Document', 'readyState');
export const modeOf = reader<string>('Document', 'compatMode');
export const viewOf = reader<(Window & typeof globalThis) | null>('Document', 'defaultView');
export const newRange = caller<[], Range>('Document', 'createRange');
export const newElement = caller<[tag: string], HTMLElement>('Document', 'createElement');
const findAll = caller<[selector: string], NodeListOf<Element>>('Document', 'querySelectorAll');
/** All elements of a document that a selector fits. */
export const allIn = <E extends Element = Element>(page: Document, selector: string): E[] => [...findAll(page, selector)] as E[];
export const firstIn = caller<[selector: string], Element | null>('Element', 'querySelector');
export const matches = caller<[selector: string], boolean>('Element', 'matches');

export const localNameOf = reader<string>('Element', 'localName');
export const appendTo = caller<[node: Node]>('Node', 'appendChild');
export const holds = caller<[node: Node], boolean>('Node', 'contains');
export const boxOf = caller<[], DOMRect>('Element', 'getBoundingClientRect');
export const boxesOf = caller<[], DOMRectList>('Element', 'getClientRects');
export const leadTo = caller<[how: ScrollIntoViewOptions]>('Element', 'scrollIntoView');
export const scrollHeightOf = reader<number>('Element', 'scrollHeight');
export const offsetHeightOf = reader<number>('HTMLElement', 'offsetHeight');
/** The style of an element’s own; undefined for what is no HTML. */
export function styleOf(element: Element): CSSStyleDeclaration | undefined {
  return namespaceOf(element) === 'http://www.w3.org/1999/xhtml' ? htmlStyle(element) : undefined;
}
const namespaceOf = reader<string | null>('Element', 'namespaceURI');
const htmlStyle = reader<CSSStyleDeclaration>('HTMLElement', 'style');

export const listen = caller<[type: string, run: (event: Event) => void, capture?: boolean]>('EventTarget', 'addEventListener');
export const unlisten = caller<[type: string, run: (event: Event) => void]>('EventTarget', 'removeEventListener');

/** Puts a style sheet of ours behind those of a page. */
export function addStyle(page: Document, text: string): void {
  const head = headOf(page);
  if (head) appendTo(head, Object.assign(newElement(page, 'style'), { textContent: text }));
}
