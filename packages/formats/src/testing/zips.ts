import { createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';

export interface Packed {
  name: string;
  data: string | Buffer;
  stored?: boolean;
  zip64?: boolean;
}

const WHEN = new Date(2024, 2, 4, 5, 6, 8);

/** Writes a zip with the entries in their order, through another program's writer. */
export async function writeZip(file: string, entries: readonly Packed[], comment = ''): Promise<void> {
  const zip = new ZipFile();
  for (const { name, data, stored, zip64 } of entries)
    zip.addBuffer(Buffer.from(data), name, { mtime: WHEN, mode: 0o100644, compress: stored !== true, forceZip64Format: zip64 === true });
  zip.end({ comment, forceZip64Format: false });
  await pipeline(zip.outputStream, createWriteStream(file));
}
