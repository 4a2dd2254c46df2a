import { currentActor } from '@/server/actor';
import { fromElsewhere, guarded } from '@/server/answer';
import { liveStream } from '@/server/live';
import { services } from '@/server/services';

/** What others do, as it happens. */
export function GET(request: Request): Promise<Response> {
  return guarded(async () => {
    const barred = fromElsewhere(request);
    if (barred) return barred;
    const actor = await currentActor();
    await services();
    return new Response(await liveStream(actor, request.signal), {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' },
    });
  });
}
