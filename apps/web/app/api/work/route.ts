import { cancelWork, progress } from '@inkwell/review';
import { answer } from '@/server/answer';
import { WORK } from '@/server/inputs';

/** How far work in the background is; with an id, that work is cancelled first. */
export function POST(request: Request): Promise<Response> {
  return answer(request, WORK, async (services, actor, { cancel }) => {
    if (cancel !== undefined) {
      const result = await cancelWork(services, actor, { id: cancel });
      if (!result.ok) return result;
    }
    return { ok: true, value: await progress(services, actor) };
  });
}
