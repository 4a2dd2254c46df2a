/** How many answers are kept before all are let go: pages repeat their words, and no page may fill the memory. */
const MOST = 4_000;

/** A function of a text that remembers its answers: the same names, addresses and phrases are asked about over and over. */
export function remembered<T>(compute: (text: string) => T): (text: string) => T {
  const known = new Map<string, T>();
  return (text) => {
    let found = known.get(text);
    if (found === undefined) {
      if (known.size >= MOST) known.clear();
      known.set(text, (found = compute(text)));
    }
    return found;
  };
}
