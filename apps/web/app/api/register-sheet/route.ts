import { registerSheet, takeSheet } from '@inkwell/review';
import { isRegister, viewFrom } from '@/features/registers/choice';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse, takes } from '@/server/answer';
import { services } from '@/server/services';

/** Longest sheet that is taken, in bytes. */
const LONGEST = 20_000_000;

const NOTHING_HERE = { code: 'not-found', what: 'There is no such register', kept: 'Nothing was changed.' } as const;

/** A register as a table, for a spreadsheet: what the address asks of it. */
export function GET(request: Request): Promise<Response> {
  const search = new URL(request.url).searchParams;
  const name = search.get('register') ?? '';
  return guarded(async () => {
    if (!isRegister(name)) return problemResponse(NOTHING_HERE);
    const wish = { collection: search.get('collection'), choice: viewFrom(name, search).choice };
    const sheet = await registerSheet(await services(), await currentActor(), wish);
    if (!sheet.ok) return problemResponse(sheet.problem);
    return downloaded(sheet.value.text, { name: sheet.value.name, type: 'text/csv; charset=utf-8' });
  });
}

/** Takes a sheet of images that was filled in elsewhere, as its very bytes. */
export function POST(request: Request): Promise<Response> {
  const collection = new URL(request.url).searchParams.get('collection');
  return takes(request, { most: LONGEST, what: 'This sheet' }, (ready, actor, bytes) => takeSheet(ready, actor, { collection, bytes }));
}
