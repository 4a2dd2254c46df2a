import sharp from 'sharp';
import { lookAtImage } from './lookAtImage.ts';
import { lookDistance, printDistance } from './look.ts';
import { nameForFile, nameFromWords, plainName } from './nameForFile.ts';

/** A drawing of a course of work: five boxes, one of them filled. */
const drawing = (filled: number) =>
  Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="640" height="400"><rect width="640" height="400" fill="#fff"/>${[0, 1, 2, 3, 4]
      .map(
        (nth) =>
          `<rect x="${40 + nth * 118}" y="${60 + nth * 50}" width="90" height="60" fill="${nth === filled ? '#c33' : '#dde'}" stroke="#223"/>`,
      )
      .join('')}</svg>`,
  );

test('a copy of another size and quality looks the same; one box of another colour does not', async () => {
  const whole = await lookAtImage(await sharp(drawing(1)).png().toBuffer());
  const copy = await lookAtImage(await sharp(drawing(1)).resize(320).jpeg({ quality: 80 }).toBuffer());
  const other = await lookAtImage(await sharp(drawing(3)).png().toBuffer());
  expect([whole.width, whole.height, copy.width]).toEqual([640, 400, 320]);
  expect(lookDistance(whole.look!, copy.look!)).toBeLessThanOrEqual(6);
  expect(printDistance(whole.print!, copy.print!)).toBeLessThanOrEqual(10);
  expect(printDistance(whole.print!, other.print!)).toBeGreaterThan(10);
  expect((await sharp(whole.thumbnail!).metadata()).format).toBe('webp');
});

test('drawings are drawn, plain ground looks like nothing, and what is no image is told as such', async () => {
  expect(await lookAtImage(drawing(0))).toMatchObject({ width: 640, height: 400 });
  const plain = await lookAtImage(
    await sharp({ create: { width: 40, height: 30, channels: 3, background: '#eee' } })
      .png()
      .toBuffer(),
  );
  expect(plain).toMatchObject({ width: 40, look: null, print: null });
  expect(await lookAtImage(Buffer.from('no image'))).toEqual({ width: null, height: null, look: null, print: null, thumbnail: null });
});

test.each([
  ['a/IMG_2034.JPG', 'A heron at the lock', 'a-heron-at-the-lock.jpg'],
  ['unnamed.png', 'Écluse de Larkmoor, vue du pont', 'ecluse-de-larkmoor-vue-du-pont.png'],
  ['download (3).png', 'Шлюз', 'shlyuz.png'],
  ['x.png', 'bird-4.jpg', null],
  ['x.png', 'IMG 2034', null],
  ['x.png', '…', null],
])('%s described as “%s” may be called %s', (path, words, name) => {
  expect(nameFromWords(path, words, () => false)).toBe(name);
});

test('names are cut at a word, free in their folder, and left alone where they say something', () => {
  expect(plainName('word '.repeat(30)).length).toBeLessThanOrEqual(60);
  expect(nameFromWords('img/DSC1.png', 'Two swans', (path) => path === 'img/two-swans.png')).toBe('two-swans-2.png');
  expect(nameForFile('img/two-swans.png', 'Two swans', () => false)).toEqual({ good: true, proposed: null });
  expect(nameForFile('img/DSC0001.png', null, () => false)).toEqual({ good: false, proposed: null });
});
