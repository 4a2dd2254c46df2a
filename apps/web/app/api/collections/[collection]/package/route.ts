import { createReadStream } from 'node:fs';
import { rm, stat } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { scratch, sendOut, sendOutFolder, type Actor } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse } from '@/server/answer';
import { services } from '@/server/services';

/** A collection as the package it came in, with what was mended in its place; or a folder of it (`?folder=`) as a zip. */
export function GET(request: Request, { params }: { params: Promise<{ collection: string }> }): Promise<Response> {
  return guarded(async () => {
    const actor = await currentActor();
    const collection = decodeURIComponent((await params).collection);
    const into = await scratch();
    const clear = () => rm(into, { recursive: true, force: true });
    try {
      return await packed(actor, { collection, folder: new URL(request.url).searchParams.get('folder') }, into, clear);
    } catch (error) {
      await clear();
      throw error;
    }
  });
}

async function packed(
  actor: Actor,
  { collection, folder }: { collection: string; folder: string | null },
  into: string,
  clear: () => Promise<void>,
): Promise<Response> {
  const ready = await services();
  const result =
    folder === null
      ? await sendOut(ready, actor, { collection, folder: into })
      : await sendOutFolder(ready, actor, { collection, folder, into });
  if (!result.ok) {
    await clear();
    return problemResponse(result.problem);
  }
  const { name, file } = result.value;
  const { size } = await stat(file);
  const bytes = createReadStream(file);
  // The file is gone when it has been sent, or whoever asked for it has gone away.
  bytes.once('close', () => void clear());
  return downloaded(Readable.toWeb(bytes) as ReadableStream, { name, type: 'application/zip', size });
}
