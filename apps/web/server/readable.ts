/**
 * Whether an address can be read: its escapes are whole, are UTF-8, and spell no NUL, which no text of ours holds. `decodeURIComponent`
 * refuses surrogates that stand alone, too.
 */
export function isReadable(address: string): boolean {
  try {
    const { pathname, search } = new URL(address);
    return !decodeURIComponent(pathname).includes('\0') && !decodeURIComponent(search).includes('\0');
  } catch {
    return false;
  }
}
