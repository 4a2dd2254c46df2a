import { docketSheet, type DocketState } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse } from '@/server/answer';
import { ownAddress } from '@/server/auth';
import { services } from '@/server/services';

const STATES: readonly DocketState[] = ['to do', 'returned', 'done'];

/** What somebody has to see to, as a table. */
export function GET(request: Request): Promise<Response> {
  return guarded(async () => {
    const actor = await currentActor();
    const asked = new URL(request.url).searchParams;
    const state = STATES.find((one) => one === asked.get('state')) ?? 'to do';
    const wish = { person: asked.get('person')?.slice(0, 100), state, site: ownAddress() };
    const sheet = await docketSheet(await services(), actor, wish);
    if (!sheet.ok) return problemResponse(sheet.problem);
    return downloaded(sheet.value, { name: 'docket.csv', type: 'text/csv; charset=utf-8' });
  });
}
