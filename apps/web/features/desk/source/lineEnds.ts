/** How the editor splits a text: a text that ends every line in CR LF keeps doing so. */
export function separatorOf(text: string): '\r\n' | '\n' {
  return text.includes('\r\n') && !/[^\r]\n|^\n|\r(?!\n)/.test(text) ? '\r\n' : '\n';
}

/** Offsets in a text against places in the editor, which counts each line end as one. */
export class Places {
  /** Where each two-character line end begins. */
  private readonly ends: number[] = [];

  constructor(text: string) {
    if (separatorOf(text) === '\n') return;
    for (let at = text.indexOf('\r\n'); at >= 0; at = text.indexOf('\r\n', at + 2)) this.ends.push(at);
  }

  /** The editor's place for an offset. */
  of(offset: number): number {
    return offset - this.before(offset);
  }

  private before(offset: number): number {
    let [low, high] = [0, this.ends.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.ends[middle]! < offset) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}
