import { bringFromHost, connect, disconnect, lookNow, newHost, placesOnHost, removeHost, settleBoth } from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { BRING_FROM_HOST, CONNECT, NEW_HOST, ON_COLLECTION, ON_HOST, SETTLE } from '@/server/gateInputs';

/** Hosts, and which collections are published on them. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  switch ((await params).act) {
    case 'new':
      return answer(request, NEW_HOST, (services, actor, wish) => newHost(services, actor, wish));
    case 'remove':
      return answer(request, ON_HOST, (services, actor, wish) => removeHost(services, actor, wish));
    case 'places':
      return answer(request, ON_HOST, (services, actor, wish) => placesOnHost(services, actor, wish));
    case 'bring-in':
      return answer(request, BRING_FROM_HOST, (services, actor, wish) => bringFromHost(services, actor, wish));
    case 'connect':
      return answer(request, CONNECT, (services, actor, wish) => connect(services, actor, wish));
    case 'disconnect':
      return answer(request, ON_COLLECTION, (services, actor, wish) => disconnect(services, actor, wish));
    case 'look':
      return answer(request, ON_COLLECTION, (services, actor, wish) => lookNow(services, actor, wish));
    case 'settle':
      return answer(request, SETTLE, (services, actor, wish) => settleBoth(services, actor, wish));
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
