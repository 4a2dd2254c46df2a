declare module 'sharp-phash' {
  import type { SharpInput, SharpOptions } from 'sharp';
  /** 64 digits 0 and 1. */
  export default function phash(image: SharpInput, options?: SharpOptions): Promise<string>;
}
