import { createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';

/** The first moment a zip can tell, so that the same files make the same archive. */
const NO_TIME = new Date(1980, 0, 1);

/** Writes a zip of files that come one after another, through a kept writer. */
export async function writeNewZip(to: string, files: AsyncIterable<{ path: string; bytes: () => Promise<Uint8Array> }>): Promise<void> {
  const zip = new ZipFile();
  const written = pipeline(zip.outputStream, createWriteStream(to));
  for await (const { path, bytes } of files)
    // What says that a zip is a book is never packed (EPUB 3.3, OCF, 4.2.2).
    zip.addBuffer(Buffer.from(await bytes()), path, {
      mtime: NO_TIME,
      mode: 0o100644,
      forceDosTimestamp: true,
      compress: path !== 'mimetype',
    });
  zip.end();
  await written;
}
