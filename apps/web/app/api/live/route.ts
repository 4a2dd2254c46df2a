import { mySessions } from '@inkwell/review';
import { currentActor, currentSession } from '@/server/actor';
import { fromElsewhere, guarded } from '@/server/answer';
import { liveStream } from '@/server/live';
import { services } from '@/server/services';

/** What others do, as it happens. */
export function GET(request: Request): Promise<Response> {
  return guarded(async () => {
    const barred = fromElsewhere(request);
    if (barred) return barred;
    const actor = await currentActor();
    const ready = await services();
    const session = (await currentSession())?.id;
    const isStill = async () => {
      const own = await mySessions(ready, actor);
      return own.ok && own.value.some(({ id }) => id === session);
    };
    return new Response(await liveStream(actor, isStill, request.signal), {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform', 'x-accel-buffering': 'no' },
    });
  });
}
