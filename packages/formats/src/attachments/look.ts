import { decodeHtml } from '../html/decode.ts';
import { readCaptions, type CaptionFacts } from './captions.ts';
import { attachmentKindOf } from './kinds.ts';
import { readPdf, type PdfFacts } from './pdf.ts';

/** What could be read of an attachment without a person; `unreadable` says why nothing could. */
export type AttachmentFacts = PdfFacts | CaptionFacts | { of: 'unreadable'; why: string };

/** Looks into an attachment whose name says that something can be read of it. A file that is not what its name says is told so. */
export async function lookInto(bytes: Uint8Array, path: string): Promise<AttachmentFacts> {
  if (attachmentKindOf(path) === 'captions') {
    const read = decodeHtml(bytes);
    if (!read.ok) return { of: 'unreadable', why: read.reason === 'empty' ? 'It is empty.' : 'It is no text.' };
    const facts = readCaptions(read.text, path);
    return facts.cues + facts.broken > 0 ? facts : { of: 'unreadable', why: 'It holds no captions.' };
  }
  try {
    return await readPdf(bytes);
  } catch {
    return { of: 'unreadable', why: 'It is damaged, or no PDF at all.' };
  }
}
