/**
 * What a record itself has under a key; undefined for none. Use it wherever the key is a word of the input: plain indexing also finds what
 * every object inherits (`constructor`, `toString`, `__proto__`).
 */
export function lookup<V>(record: Readonly<Record<string, V>> | null | undefined, key: string | null | undefined): V | undefined {
  return record != null && key != null && Object.hasOwn(record, key) ? record[key] : undefined;
}

/** Values under the words they belong to, in the order they came: any word may be a key, `__proto__` too. */
export function listsBy<V>(pairs: Iterable<readonly [key: string, value: V]>): Record<string, V[]> {
  const lists = new Map<string, V[]>();
  for (const [key, value] of pairs) {
    const list = lists.get(key);
    if (list) list.push(value);
    else lists.set(key, [value]);
  }
  return Object.fromEntries(lists);
}
