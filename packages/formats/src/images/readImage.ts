import { lookup } from '@inkwell/core';
import { imageSize } from 'image-size';

export interface ImageFacts {
  /** What its name ends in, without the dot. */
  ending: string;
  mediaType: string;
  /** In pixels, as its file says. */
  width: number;
  height: number;
}

/** Kinds of images that browsers show, by what their bytes say they are (HTML Living Standard names them as examples; SVG 2). */
const KINDS: Readonly<Record<string, Pick<ImageFacts, 'ending' | 'mediaType'>>> = {
  png: { ending: 'png', mediaType: 'image/png' },
  jpg: { ending: 'jpg', mediaType: 'image/jpeg' },
  gif: { ending: 'gif', mediaType: 'image/gif' },
  webp: { ending: 'webp', mediaType: 'image/webp' },
  avif: { ending: 'avif', mediaType: 'image/avif' },
  svg: { ending: 'svg', mediaType: 'image/svg+xml' },
};

/** What an image's own bytes say it is, whatever its name; null where they are no image that pages show. */
export function readImage(bytes: Uint8Array): ImageFacts | null {
  try {
    const { type = '', width, height } = imageSize(bytes);
    const kind = lookup(KINDS, type === 'heif' && isAvif(bytes) ? 'avif' : type);
    return kind && width > 0 && height > 0 ? { ...kind, width, height } : null;
  } catch {
    return null;
  }
}

/** The brand of a file in ISO base media form (ISO/IEC 14496-12, 4.3). */
function isAvif(bytes: Uint8Array): boolean {
  return String.fromCharCode(...bytes.subarray(4, 32)).includes('avif');
}
