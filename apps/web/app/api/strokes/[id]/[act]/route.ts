import { showStroke, unmakeStroke } from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { NOTHING } from '@/server/inputs';

/** What is done with something that was done to many pages at once: looked at, taken back. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string; act: string }> }): Promise<Response> {
  const { id, act } = await params;
  const stroke = Number(id);
  if (/^\d{1,9}$/.test(id)) {
    if (act === 'show') return answer(request, NOTHING, (services, actor) => showStroke(services, actor, { stroke }));
    if (act === 'take-back') return answer(request, NOTHING, (services, actor) => unmakeStroke(services, actor, { stroke }));
  }
  return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
}
