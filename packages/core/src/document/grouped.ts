/** Items by a key, each group in their order; items without a key are left out. */
export function groupedBy<T, K>(items: Iterable<T>, keyOf: (item: T) => K | null | undefined): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    if (key === null || key === undefined) continue;
    const same = groups.get(key);
    if (same) same.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}
