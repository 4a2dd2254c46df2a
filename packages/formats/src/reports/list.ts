/** A JSON list whose items come one after another; each page may give several. */
export async function* list<T>(
  pages: AsyncIterable<T>,
  indent: number,
  itemsOf: (page: T, nth: number) => readonly unknown[],
): AsyncGenerator<string> {
  const gap = ' '.repeat(indent);
  let [nth, any] = [0, false];
  for await (const page of pages) {
    let part = '';
    for (const item of itemsOf(page, nth)) {
      part += `${any ? ',' : '['}\n${gap}${indented(item, indent)}`;
      any = true;
    }
    nth++;
    if (part) yield part;
  }
  yield any ? `\n${' '.repeat(indent - 2)}]` : '[]';
}

/** A value as JSON whose further lines are indented. */
export function indented(value: unknown, indent: number): string {
  return JSON.stringify(value, null, 2).replaceAll('\n', `\n${' '.repeat(indent)}`);
}
