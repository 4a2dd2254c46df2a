import { Readable } from 'node:stream';
import { everythingIn } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse } from '@/server/answer';
import { services } from '@/server/services';

/** Every finding of a collection as a table, sent as it is read. */
export function GET(_request: Request, { params }: { params: Promise<{ collection: string }> }): Promise<Response> {
  return guarded(async () => {
    const { collection } = await params;
    const result = await everythingIn(await services(), await currentActor(), { collection: decodeURIComponent(collection) });
    if (!result.ok) return problemResponse(result.problem);
    const { name, parts } = result.value;
    return downloaded(Readable.toWeb(Readable.from(parts)) as ReadableStream, { name, type: 'text/csv; charset=utf-8' });
  });
}
