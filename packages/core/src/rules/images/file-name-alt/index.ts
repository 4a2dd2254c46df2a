import { defineRule } from '../../types.ts';
import { addressOf, fileNameOf, writtenAlternative } from '../../../semantics/images.ts';
import { controlAround } from '../../../semantics/roles.ts';

const EXTENSION = /\.(?:jpe?g|jfif|png|gif|svg|webp|avif|bmp|tiff?|heic|ico)$/i;
/** What cameras, phones and scanners call their files. Common practice. */
const CAMERA =
  /^(?:img|dsc|dscn|dscf|dcim|pict|pxl|sam|mvimg|gopr|scan|screenshot|screen shot|photo|image|picture|untitled)[-_ ]?\d{3,}[\d_ -]*$/i;

export const rule = defineRule({
  id: 'images/file-name-alt',
  title: 'File name in place of a description',
  why: 'Someone who cannot see the image is read a file name, letter by letter, in place of what it shows.',
  fix: 'Write in a few words what a reader would look at, or mark the image as decorative when it adds nothing.',
  alike: true,
  criteria: ['1.1.1'],
  techniques: ['F30'],
  weight: 'must',
  scope: 'any',
  remedies: ['describe', 'decorative', 'from-file-name'],
  messages: {
    file: 'The alternative text of this image is a file name: “{alt}”',
    address: 'The alternative text of this image is an address: “{alt}”',
    camera: 'The alternative text of this image is what a camera called its file: “{alt}”',
  },
  tags: ['img', 'input', 'area'],
  visit(page, element, tell) {
    const alt = writtenAlternative(element);
    if (!alt) return;
    const message = /^(?:https?:\/\/|www\.)\S+$/i.test(alt)
      ? 'address'
      : isFileName(alt, fileNameOf(addressOf(element)))
        ? 'file'
        : CAMERA.test(alt)
          ? 'camera'
          : null;
    if (message)
      tell({
        at: element,
        message,
        values: { alt },
        subject: `${addressOf(element)} ${alt}`,
        ...(controlAround(page, element) ? { remedies: ['describe', 'from-file-name'] } : {}),
      });
  },
});

function isFileName(alt: string, file: string): boolean {
  if (EXTENSION.test(alt) && !/\s\S+\s/.test(alt)) return true;
  // The file's own name, unless it is a plain word that may well describe the image.
  return alt === file.replace(EXTENSION, '') && /[\d_-]/.test(alt) && !/\s/.test(alt) && alt.length > 2;
}
