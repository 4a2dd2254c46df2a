import { Readable } from 'node:stream';
import { everythingIn } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { AWAY, FAULT, problemResponse } from '@/server/answer';
import { isAway } from '@/server/away';
import { services } from '@/server/services';

/** Every finding of a collection as a table, sent as it is read. */
export async function GET(_request: Request, { params }: { params: Promise<{ collection: string }> }): Promise<Response> {
  try {
    const { collection } = await params;
    const result = await everythingIn(await services(), await currentActor(), { collection: decodeURIComponent(collection) });
    if (!result.ok) return problemResponse(result.problem);
    const { name, parts } = result.value;
    return new Response(Readable.toWeb(Readable.from(parts)) as ReadableStream, {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
        'cache-control': 'no-store',
        'x-content-type-options': 'nosniff',
      },
    });
  } catch (error) {
    if (isAway(error)) return problemResponse(AWAY);
    console.error(error);
    return problemResponse(FAULT);
  }
}
