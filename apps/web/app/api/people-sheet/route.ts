import { rollSheet, takeRoll } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse, takes } from '@/server/answer';
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
  const write = new URL(request.url).searchParams.has('write');
  return takes(request, { most: LONGEST, what: 'This table' }, (ready, actor, bytes) =>
    takeRoll(ready, actor, { bytes, site: ownAddress(), write }),
  );
}
