/** What is seen in an image's bytes; nulls where they hold none that can be drawn. */
export interface ImageLook {
  /** In pixels. */
  width: number | null;
  height: number | null;
  /** How it looks, as 64 digits 0 and 1, alike for a copy of another size or quality; null for one that is nearly of one colour. */
  look: string | null;
  /** It in `PRINT` × `PRINT` squares, red, green and blue of each; null where `look` is. */
  print: Uint8Array | null;
  /** A small WebP of it. */
  thumbnail: Uint8Array | null;
}

/** Squares of a print, along each side. */
export const PRINT = 32;

/** Places in which two looks differ, of 64. */
export function lookDistance(a: string, b: string): number {
  let apart = 0;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) apart++;
  return apart;
}

/**
 * How far two prints differ where they differ most, 0 to 255: the mean over three by three squares. One box of another colour in a drawing
 * shows here, though the drawings look alike as wholes.
 */
export function printDistance(a: Uint8Array, b: Uint8Array): number {
  const differs = (square: number) =>
    [0, 1, 2].reduce((sum, channel) => sum + Math.abs(a[square * 3 + channel]! - b[square * 3 + channel]!), 0) / 3;
  const squares = Array.from({ length: PRINT * PRINT }, (_, square) => differs(square));
  let most = 0;
  for (let y = 1; y < PRINT - 1; y++)
    for (let x = 1; x < PRINT - 1; x++) {
      let sum = 0;
      for (let row = y - 1; row <= y + 1; row++) for (let column = x - 1; column <= x + 1; column++) sum += squares[row * PRINT + column]!;
      most = Math.max(most, sum / 9);
    }
  return most;
}
