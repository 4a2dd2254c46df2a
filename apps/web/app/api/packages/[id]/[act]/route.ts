import { acceptIntoShelf, chooseCleaning, dismissPackage, showPackage, tryCleaning } from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { ACCEPT, CHOOSE_CLEANING, NOTHING, SHOW, TRY_CLEANING } from '@/server/inputs';

/** What is done with a package that was sent: looked at, accepted, sent away. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string; act: string }> }): Promise<Response> {
  const { id: written, act } = await params;
  const id = Number(written);
  if (Number.isSafeInteger(id)) {
    if (act === 'show') return answer(request, SHOW, (services, actor, wish) => showPackage(services, actor, { id, ...wish }));
    if (act === 'accept') return answer(request, ACCEPT, (services, actor, wish) => acceptIntoShelf(services, actor, { id, ...wish }));
    if (act === 'try-cleaning')
      return answer(request, TRY_CLEANING, (services, actor, wish) => tryCleaning(services, actor, { id, ...wish }));
    if (act === 'cleaning')
      return answer(request, CHOOSE_CLEANING, (services, actor, wish) => chooseCleaning(services, actor, { id, ...wish }));
    if (act === 'dismiss') return answer(request, NOTHING, (services, actor) => dismissPackage(services, actor, { id }));
  }
  return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
}
