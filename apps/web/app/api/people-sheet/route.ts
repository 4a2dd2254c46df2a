import { rollSheet, takeRoll } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { bytesWithin, downloaded, fromElsewhere, guarded, problemResponse } from '@/server/answer';
import { ownAddress } from '@/server/auth';
import { services } from '@/server/services';

/** Longest table that is taken, in bytes. */
const LONGEST = 2_000_000;

/** Everybody, as a table. */
export function GET(): Promise<Response> {
  return guarded(async () => {
    const sheet = await rollSheet(await services(), await currentActor());
    return sheet.ok ? downloaded(sheet.value, { name: 'people.csv', type: 'text/csv; charset=utf-8' }) : problemResponse(sheet.problem);
  });
}

/** Takes a table of people, as its very bytes; without `write` in the address it is only told what it would do. */
export function POST(request: Request): Promise<Response> {
  const barred = fromElsewhere(request);
  if (barred) return Promise.resolve(barred);
  return guarded(async () => {
    const actor = await currentActor();
    const bytes = await bytesWithin(request, LONGEST);
    if (bytes === null)
      return problemResponse({
        code: 'too-large',
        what: 'This table is too large',
        kept: 'Nothing was changed.',
        next: 'Bring it in in parts.',
      });
    const write = new URL(request.url).searchParams.has('write');
    const taken = await takeRoll(await services(), actor, { bytes, site: ownAddress(), write });
    return taken.ok ? Response.json(taken) : problemResponse(taken.problem);
  });
}
