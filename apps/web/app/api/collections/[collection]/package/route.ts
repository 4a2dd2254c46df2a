import { createReadStream } from 'node:fs';
import { rm, stat } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { scratch, sendOut } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { AWAY, FAULT, problemResponse } from '@/server/answer';
import { isAway } from '@/server/away';
import { services } from '@/server/services';

/** A collection as the package it came in, with what was mended in its place. */
export async function GET(_request: Request, { params }: { params: Promise<{ collection: string }> }): Promise<Response> {
  const folder = await scratch();
  const clear = () => rm(folder, { recursive: true, force: true });
  try {
    const { collection } = await params;
    const result = await sendOut(await services(), await currentActor(), { collection: decodeURIComponent(collection), folder });
    if (!result.ok) {
      await clear();
      return problemResponse(result.problem);
    }
    const { name, file } = result.value;
    const { size } = await stat(file);
    const bytes = createReadStream(file);
    // The file is gone when it has been sent, or whoever asked for it has gone away.
    bytes.once('close', () => void clear());
    return new Response(Readable.toWeb(bytes) as ReadableStream, {
      headers: {
        'content-type': 'application/zip',
        'content-length': String(size),
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
        'cache-control': 'no-store',
        'x-content-type-options': 'nosniff',
      },
    });
  } catch (error) {
    await clear();
    if (isAway(error)) return problemResponse(AWAY);
    console.error(error);
    return problemResponse(FAULT);
  }
}
