export interface Place {
  /** 1-based. */
  line: number;
  /** 1-based, in UTF-16 units. */
  column: number;
}

/** Where each line of a text begins; answers offset → line and column in logarithmic time. */
export class LineIndex {
  private readonly starts: number[] = [0];

  constructor(text: string) {
    // CR LF is one break; a lone CR is a break too.
    if (text.includes('\r')) for (const { index, 0: ending } of text.matchAll(/\r\n?|\n/g)) this.starts.push(index + ending.length);
    else for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) this.starts.push(at + 1);
  }

  placeOf(offset: number): Place {
    let low = 0;
    let high = this.starts.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.starts[middle]! <= offset) low = middle;
      else high = middle - 1;
    }
    return { line: low + 1, column: offset - this.starts[low]! + 1 };
  }
}
