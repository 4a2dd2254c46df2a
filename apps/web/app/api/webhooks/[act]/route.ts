import { deliverAgain, endWebhook, newWebhook } from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { AGAIN, END_WEBHOOK, NEW_WEBHOOK } from '@/server/webhookInputs';

/** Addresses that are told of events. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  switch ((await params).act) {
    case 'new':
      return answer(request, NEW_WEBHOOK, (services, actor, wish) => newWebhook(services, actor, wish));
    case 'end':
      return answer(request, END_WEBHOOK, (services, actor, wish) => endWebhook(services, actor, wish));
    case 'again':
      return answer(request, AGAIN, (services, actor, wish) => deliverAgain(services, actor, wish));
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
