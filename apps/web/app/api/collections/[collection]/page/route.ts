import { sendOutPage } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse } from '@/server/answer';
import { services } from '@/server/services';

/** One page (`?page=`) as a file, as it is now. */
export function GET(request: Request, { params }: { params: Promise<{ collection: string }> }): Promise<Response> {
  return guarded(async () => {
    const collection = decodeURIComponent((await params).collection);
    const page = new URL(request.url).searchParams.get('page') ?? '';
    const result = await sendOutPage(await services(), await currentActor(), { collection, page });
    if (!result.ok) return problemResponse(result.problem);
    const { name, bytes } = result.value;
    return downloaded(Buffer.from(bytes), { name, type: 'application/octet-stream', size: bytes.length });
  });
}
