import { docketSheet, takeDocketSheet, type DocketState } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse, takes } from '@/server/answer';
import { ownAddress } from '@/server/auth';
import { services } from '@/server/services';

const STATES: readonly DocketState[] = ['to do', 'returned', 'done'];

/** Longest table that is taken, in bytes. */
const LONGEST = 20_000_000;

/** What somebody has to see to, as a table; `all`: everybody. */
export function GET(request: Request): Promise<Response> {
  return guarded(async () => {
    const actor = await currentActor();
    const asked = new URL(request.url).searchParams;
    const state = STATES.find((one) => one === asked.get('state')) ?? 'to do';
    const person = asked.has('all') ? null : asked.get('person')?.slice(0, 100);
    const wish = { person, state, site: ownAddress() };
    const sheet = await docketSheet(await services(), actor, wish);
    if (!sheet.ok) return problemResponse(sheet.problem);
    return downloaded(sheet.value, { name: 'docket.csv', type: 'text/csv; charset=utf-8' });
  });
}

/** Takes such a table back, as its very bytes: whom each thing is for, and by when. */
export function POST(request: Request): Promise<Response> {
  return takes(request, { most: LONGEST, what: 'This table' }, (ready, actor, bytes) =>
    takeDocketSheet(ready, actor, { bytes, site: ownAddress() }),
  );
}
