import { endCalendar, endMySessions, newCalendar } from '@inkwell/review';
import { currentSession } from '@/server/actor';
import { ownAddress } from '@/server/auth';
import { answer, problemResponse } from '@/server/answer';
import { NOTHING } from '@/server/inputs';
import { END_SESSION } from '@/server/peopleInputs';

/** What one does about one's own sessions. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  switch ((await params).act) {
    case 'end-session':
      return answer(request, END_SESSION, (services, actor, { session }) => endMySessions(services, actor, { only: session }));
    case 'end-others':
      return answer(request, NOTHING, async (services, actor) =>
        endMySessions(services, actor, { but: (await currentSession())?.id ?? null }),
      );
    case 'calendar':
      return answer(request, NOTHING, (services, actor) => newCalendar(services, actor, { site: ownAddress() }));
    case 'end-calendar':
      return answer(request, NOTHING, (services, actor) => endCalendar(services, actor));
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
