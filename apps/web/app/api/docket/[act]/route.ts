import { changeHanded, docket, handedOut, handOut, handOutChosen, takeFrom, takers } from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { ownAddress } from '@/server/auth';
import { CHANGE_HANDED, DOCKET, HAND_OUT, HAND_OUT_CHOSEN, HANDED, TAKE_FROM, TAKERS } from '@/server/docketInputs';

/** Work that is handed to people. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  switch ((await params).act) {
    case 'lines':
      return answer(request, DOCKET, (services, actor, wish) => docket(services, actor, wish));
    case 'takers':
      return answer(request, TAKERS, (services, actor, wish) => takers(services, actor, wish));
    case 'hand-out':
      return answer(request, HAND_OUT, (services, actor, wish) => handOut(services, actor, { ...wish, site: ownAddress() }));
    case 'hand-out-chosen':
      return answer(request, HAND_OUT_CHOSEN, (services, actor, wish) => handOutChosen(services, actor, { ...wish, site: ownAddress() }));
    case 'handed':
      return answer(request, HANDED, (services, actor, wish) => handedOut(services, actor, wish));
    case 'change':
      return answer(request, CHANGE_HANDED, (services, actor, wish) => changeHanded(services, actor, { ...wish, site: ownAddress() }));
    case 'take':
      return answer(request, TAKE_FROM, (services, actor, wish) => takeFrom(services, actor, wish));
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
