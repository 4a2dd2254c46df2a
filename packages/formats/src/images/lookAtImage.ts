import sharp from 'sharp';
import perceptualHash from 'sharp-phash';
import { PRINT, type ImageLook } from './look.ts';

/** The longer side of a thumbnail, in pixels. */
const SIDE = 320;
/** Larger images, in pixels, are not drawn: what a few bytes may unfold to is bounded. */
const MOST_PIXELS = 120_000_000;
/** Least spread of its grey values, of 255, at which a look says anything. */
const LEAST_SPREAD = 6;

/**
 * Draws an image small and tells how it looks: signs of the lowest frequencies of its cosine transform (Zauner 2010, "Implementation and
 * Benchmarking of Perceptual Image Hash Functions", as `sharp-phash` computes them).
 */
export async function lookAtImage(bytes: Uint8Array): Promise<ImageLook> {
  try {
    const options = { limitInputPixels: MOST_PIXELS, failOn: 'error' as const };
    const { width, height } = await sharp(bytes, options).metadata();
    const flat = await sharp(bytes, options)
      .flatten({ background: '#ffffff' })
      .resize(SIDE, SIDE, { fit: 'inside', withoutEnlargement: true })
      .png()
      .toBuffer();
    const thumbnail = await sharp(bytes, options)
      .resize(SIDE, SIDE, { fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 76 })
      .toBuffer();
    const { channels } = await sharp(flat).greyscale().stats();
    if ((channels[0]?.stdev ?? 0) < LEAST_SPREAD) return { width, height, look: null, print: null, thumbnail };
    const print = await sharp(flat)
      .resize(PRINT, PRINT, { fit: 'fill', kernel: 'mitchell' })
      .toColourspace('srgb')
      .removeAlpha()
      .raw()
      .toBuffer();
    return { width, height, look: await perceptualHash(flat), print, thumbnail };
  } catch {
    return { width: null, height: null, look: null, print: null, thumbnail: null };
  }
}
