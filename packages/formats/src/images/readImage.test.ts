import { readImage } from './readImage.ts';

/** One white pixel, as the encoders of common tools write it. */
const PNG = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg==';
const GIF = 'R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7';
const bytes = (base64: string) => Uint8Array.from(Buffer.from(base64, 'base64'));
const text = (words: string) => new TextEncoder().encode(words);

describe('an image', () => {
  it('is what its bytes say, with its size in pixels', () => {
    expect(readImage(bytes(PNG))).toEqual({ ending: 'png', mediaType: 'image/png', width: 1, height: 1 });
    expect(readImage(bytes(GIF))).toMatchObject({ ending: 'gif', mediaType: 'image/gif' });
    expect(readImage(text('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 30"><path d="M0 0h9"/></svg>'))).toEqual({
      ending: 'svg',
      mediaType: 'image/svg+xml',
      width: 40,
      height: 30,
    });
  });

  it('is none where its bytes are something else, or are cut short', () => {
    expect(readImage(text('<html><p>photo.png</p></html>'))).toBeNull();
    expect(readImage(bytes(PNG).subarray(0, 12))).toBeNull();
    expect(readImage(new Uint8Array())).toBeNull();
  });
});
