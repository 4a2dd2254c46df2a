import 'server-only';

const KEPT = Symbol.for('inkwell');

/** One of a kind in this process: screens and routes are bundled apart, and must not each open their own. A failure is not kept. */
export function once<T>(name: string, make: () => Promise<T>): Promise<T> {
  const kept = ((globalThis as Record<symbol, unknown>)[KEPT] ??= new Map<string, Promise<unknown>>()) as Map<string, Promise<unknown>>;
  let made = kept.get(name) as Promise<T> | undefined;
  if (!made) {
    made = make().catch((error: unknown) => {
      kept.delete(name);
      throw error;
    });
    kept.set(name, made);
  }
  return made;
}
