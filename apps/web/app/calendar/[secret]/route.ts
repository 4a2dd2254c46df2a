import { calendarAt } from '@inkwell/review';
import { guarded, problemResponse } from '@/server/answer';
import { ownAddress } from '@/server/auth';
import { services } from '@/server/services';

/** What is due to somebody, for the calendar they gave their secret address: whoever has it needs no other. */
export function GET(_request: Request, { params }: { params: Promise<{ secret: string }> }): Promise<Response> {
  return guarded(async () => {
    const secret = (await params).secret.replace(/\.ics$/, '');
    const calendar = await calendarAt(await services(), { secret, site: ownAddress() });
    if (!calendar.ok) return problemResponse(calendar.problem);
    return new Response(calendar.value, {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'cache-control': 'private, no-store',
        'x-content-type-options': 'nosniff',
      },
    });
  });
}
