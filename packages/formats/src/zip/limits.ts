import { lookup } from '@inkwell/core';
/** How much a package may hold: what goes beyond was made to do harm, or is no collection of pages. */
export interface Limits {
  entries: number;
  /** Bytes of all entries unpacked. */
  unpacked: number;
  /** How many times its packed size something may unpack to, once it is larger than `ratioFrom` bytes. */
  ratio: number;
  ratioFrom: number;
}

const MEGABYTE = 1024 * 1024;

/** From settings such as environment variables; what is not set, or is no number above 0, keeps its usual value. */
export function limitsFrom(settings: Readonly<Record<string, string | undefined>>): Limits {
  const number = (name: string, usual: number) => {
    const value = Number(lookup(settings, name));
    return value > 0 ? value : usual;
  };
  return {
    entries: number('INKWELL_MOST_ENTRIES', 200_000),
    unpacked: number('INKWELL_MOST_UNPACKED_MB', 4_096) * MEGABYTE,
    ratio: number('INKWELL_MOST_RATIO', 100),
    ratioFrom: number('INKWELL_RATIO_FROM_MB', 10) * MEGABYTE,
  };
}
