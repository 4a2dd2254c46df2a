import { REPORT_FORMATS, reportFile } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse } from '@/server/answer';
import { streamed } from '@/server/streamed';
import { services } from '@/server/services';

/** The record of a collection or a page as a file, as it stands now. */
export function GET(request: Request): Promise<Response> {
  return guarded(async () => {
    const actor = await currentActor();
    const asked = new URL(request.url).searchParams;
    const format = REPORT_FORMATS.find((one) => one === asked.get('format')) ?? 'html';
    const wish = { collection: asked.get('collection') ?? '', page: asked.get('page'), sampleOnly: asked.has('sample'), format };
    const file = await reportFile(await services(), actor, wish);
    if (!file.ok) return problemResponse(file.problem);
    return downloaded(streamed(file.value.parts), file.value);
  });
}
