import { endCalendar, endMySessions, newCalendar, noteSecondFactor, type Result } from '@inkwell/review';
import { currentActor, currentSession } from '@/server/actor';
import { ownAddress } from '@/server/auth';
import { answer, guarded, open, problemResponse } from '@/server/answer';
import { NOTHING, type Checker } from '@/server/inputs';
import { END_SESSION, OWN_PASSWORD, SECOND_CODE } from '@/server/peopleInputs';
import { beginSecond, endSecond, signInSecond, type Owner } from '@/server/secondFactor';
import { services } from '@/server/services';
import { withCookies } from '@/server/signIn';

/** What one does about one's own sessions. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  switch ((await params).act) {
    case 'end-session':
      return answer(request, END_SESSION, (services, actor, { session }) => endMySessions(services, actor, { only: session }));
    case 'end-others':
      return answer(request, NOTHING, async (services, actor) =>
        endMySessions(services, actor, { but: (await currentSession())?.id ?? null }),
      );
    case 'begin-second':
      return answer(request, OWN_PASSWORD, async (_services, _actor, wish) => beginSecond(request, await currentActor(), wish));
    case 'try-second':
      return changedSession(request, SECOND_CODE, (wish) => signInSecond(request, wish), true);
    case 'end-second':
      return changedSession(request, OWN_PASSWORD, (wish, owner) => endSecond(request, owner, wish), false);
    case 'calendar':
      return answer(request, NOTHING, (services, actor) => newCalendar(services, actor, { site: ownAddress() }));
    case 'end-calendar':
      return answer(request, NOTHING, (services, actor) => endCalendar(services, actor));
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}

/** What changes how one signs in gives one a new session; it is written into the record. */
function changedSession<T>(
  request: Request,
  check: Checker<T>,
  act: (wish: T, owner: Owner) => Promise<Result<string[]>>,
  isThere: boolean,
): Promise<Response> {
  return guarded(async () => {
    const actor = await currentActor();
    return open(request, check, async (wish) => {
      const changed = await act(wish, actor);
      if (!changed.ok) return changed.problem;
      await noteSecondFactor(await services(), actor, { isThere });
      return withCookies(Response.json({ ok: true, value: null }), changed.value);
    });
  });
}
