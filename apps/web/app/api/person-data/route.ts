import { personData } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse } from '@/server/answer';
import { services } from '@/server/services';

/** All that is held of one person, as JSON: one's own, or anybody's for whoever looks after people. */
export function GET(request: Request): Promise<Response> {
  return guarded(async () => {
    const actor = await currentActor();
    const person = new URL(request.url).searchParams.get('person')?.slice(0, 100) ?? actor.id;
    const data = await personData(await services(), actor, { person });
    if (!data.ok) return problemResponse(data.problem);
    return downloaded(data.value.text, { name: data.value.name, type: 'application/json' });
  });
}
