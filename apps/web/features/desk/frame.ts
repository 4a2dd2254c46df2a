/** A place in the sheet, in CSS pixels. */
export interface Box {
  top: number;
  left: number;
  width: number;
  height: number;
}

/** The element of a loaded document that one of the engine's paths names; null when there is none. */
export function elementByPath(page: Document, path: string): Element | null {
  let here: Element | Document = page;
  for (const step of path.split('/').slice(1)) {
    const parts = /^(.+)\[(\d+)\]$/.exec(step);
    if (!parts) return null;
    let left = Number(parts[2]);
    const next: Element | undefined = [...here.children].find((child) => child.localName === parts[1] && --left === 0);
    if (!next) return null;
    here = next;
  }
  return here instanceof Document || here.nodeType === 9 ? null : (here as Element);
}
