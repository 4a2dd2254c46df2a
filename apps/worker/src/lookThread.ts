import { lookInto } from '@inkwell/formats/attachments';
import { lookAtImage } from '@inkwell/formats/images';
import type { AttachmentFacts, ImageLook } from '@inkwell/formats';

/** The entry of a thread: one file at a time. A hostile one keeps this thread busy and nothing else. */
export default function run({ bytes, path }: { bytes: Uint8Array; path: string }): Promise<AttachmentFacts> {
  return lookInto(bytes, path);
}

/** The same for images: drawn small, and how they look. */
export function look({ bytes }: { bytes: Uint8Array }): Promise<ImageLook> {
  return lookAtImage(bytes);
}
