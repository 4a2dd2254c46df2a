import { deedsSheet } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse } from '@/server/answer';
import { services } from '@/server/services';

/** The record of who did what to whom, as a table. */
export function GET(): Promise<Response> {
  return guarded(async () => {
    const sheet = await deedsSheet(await services(), await currentActor());
    if (!sheet.ok) return problemResponse(sheet.problem);
    return downloaded(sheet.value, { name: 'record.csv', type: 'text/csv; charset=utf-8' });
  });
}
