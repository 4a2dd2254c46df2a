/** What is seen in an image's bytes; nulls where they hold none that can be drawn. */
export interface ImageLook {
  /** In pixels. */
  width: number | null;
  height: number | null;
  /** How it looks, as 64 digits 0 and 1, alike for a copy of another size or quality; null for one that is nearly of one colour. */
  look: string | null;
  /** A small WebP of it. */
  thumbnail: Uint8Array | null;
}

/** Places in which two looks differ, of 64. */
export function lookDistance(a: string, b: string): number {
  let apart = 0;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) apart++;
  return apart;
}
