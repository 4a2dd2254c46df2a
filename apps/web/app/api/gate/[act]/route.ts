import { askPublication, callPublicationOff, lookedAt, setSigning, showGate, signMany } from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { CHOSEN_AT_GATE, LOOKED, PUBLICATION, SHOW_GATE, SIGNING } from '@/server/gateInputs';

/** What goes out, and who answers for it. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  switch ((await params).act) {
    case 'show':
      return answer(request, SHOW_GATE, (services, actor, wish) => showGate(services, actor, wish));
    case 'sign':
      return answer(request, CHOSEN_AT_GATE, (services, actor, wish) => signMany(services, actor, wish));
    case 'publish':
      return answer(request, PUBLICATION, (services, actor, { at, ...wish }) =>
        askPublication(services, actor, { ...wish, at: at === null ? null : new Date(at) }),
      );
    case 'call-off':
      return answer(request, CHOSEN_AT_GATE, (services, actor, wish) => callPublicationOff(services, actor, wish));
    case 'looked':
      return answer(request, LOOKED, (services, actor, wish) => lookedAt(services, actor, wish));
    case 'signing':
      return answer(request, SIGNING, (services, actor, wish) => setSigning(services, actor, wish));
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
