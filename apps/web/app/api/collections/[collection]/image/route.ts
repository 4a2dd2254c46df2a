import { bringImage, LARGEST_IMAGE } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { bytesWithin, fromElsewhere, guarded, problemResponse } from '@/server/answer';
import { services } from '@/server/services';

/** Takes an image into a collection, as its very bytes; its name is in the address. Answers with where it lies now. */
export function POST(request: Request, { params }: { params: Promise<{ collection: string }> }): Promise<Response> {
  const barred = fromElsewhere(request);
  if (barred) return Promise.resolve(barred);
  return guarded(async () => {
    const actor = await currentActor();
    const bytes = await bytesWithin(request, LARGEST_IMAGE);
    if (bytes === null)
      return problemResponse({
        code: 'too-large',
        what: 'This image is too large to take in',
        why: `It holds more than ${LARGEST_IMAGE / 1_000_000} MB.`,
        kept: 'Nothing was taken in, and the page is as it was.',
        next: 'Save it smaller: what a page shows needs no more pixels than its width.',
      });
    const name = (new URL(request.url).searchParams.get('name') ?? '').slice(0, 200) || 'image';
    const collection = decodeURIComponent((await params).collection);
    const result = await bringImage(await services(), actor, { collection, name, bytes });
    return result.ok ? Response.json(result) : problemResponse(result.problem);
  });
}
