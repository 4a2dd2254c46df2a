import 'server-only';
import { Readable } from 'node:stream';

/** Parts as they come, as the body of an answer. */
export function streamed(parts: AsyncIterable<string | Uint8Array>): ReadableStream<Uint8Array> {
  const bytes = (async function* () {
    for await (const part of parts) yield typeof part === 'string' ? Buffer.from(part) : part;
  })();
  return Readable.toWeb(Readable.from(bytes)) as ReadableStream<Uint8Array>;
}
