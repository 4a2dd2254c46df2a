import { standardFile } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse } from '@/server/answer';
import { services } from '@/server/services';

/** A profile as the file that the command line takes. */
export function GET(request: Request): Promise<Response> {
  return guarded(async () => {
    const actor = await currentActor();
    const profile = (new URL(request.url).searchParams.get('profile') ?? '').slice(0, 80);
    const file = await standardFile(await services(), actor, { profile });
    if (!file.ok) return problemResponse(file.problem);
    return downloaded(file.value, { name: `${profile}.json`, type: 'application/json' });
  });
}
