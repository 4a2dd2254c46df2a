/** One of the parts a page on a host is made of, such as its text and what stands beside it. */
export interface Part {
  name: string;
  html: string;
}

/** Between these a host's public page has what its author wrote, and nothing else; what is outside is the host's frame. */
export const CONTENT_BEGINS = '<!--content-->';
export const CONTENT_ENDS = '<!--/content-->';

const MARK = /<!-- part: ([a-z][a-z0-9-]{0,39}) -->\n/g;

/**
 * The parts of a page as one text, in which they are reviewed together: each after the first begins behind a comment with its name. The
 * first has none where it is called `main`.
 */
export function joinParts(parts: readonly Part[]): string {
  return parts.map(({ name, html }, nth) => (nth === 0 && name === 'main' ? html : `<!-- part: ${name} -->\n${html}`)).join('');
}

/** The same back. Null where the parts are no longer those named: a comment between them was lost, doubled or moved. */
export function splitParts(text: string, names: readonly string[]): Part[] | null {
  const marks = [...text.matchAll(MARK)];
  const first = marks[0]?.index === 0 ? [] : [{ name: 'main', from: 0, to: marks[0]?.index ?? text.length }];
  const rest = marks.map((mark, nth) => ({ name: mark[1]!, from: mark.index + mark[0].length, to: marks[nth + 1]?.index ?? text.length }));
  const parts = [...first, ...rest].map(({ name, from, to }) => ({ name, html: text.slice(from, to) }));
  const isSame = parts.length === names.length && parts.every(({ name }, nth) => name === names[nth]);
  return isSame ? parts : null;
}

/** What the author wrote, of a public page; null where the page was cut short or has no such place. */
export function contentOf(shown: string): string | null {
  const from = shown.indexOf(CONTENT_BEGINS);
  const to = shown.lastIndexOf(CONTENT_ENDS);
  return from < 0 || to < from + CONTENT_BEGINS.length ? null : shown.slice(from + CONTENT_BEGINS.length, to);
}
