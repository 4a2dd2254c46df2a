import { lookInto } from '@inkwell/formats/attachments';
import type { AttachmentFacts } from '@inkwell/formats';

/** The entry of a thread: one file at a time. A hostile one keeps this thread busy and nothing else. */
export default function run({ bytes, path }: { bytes: Uint8Array; path: string }): Promise<AttachmentFacts> {
  return lookInto(bytes, path);
}
