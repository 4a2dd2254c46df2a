import { showMend, unmakeMend } from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { NOTHING } from '@/server/inputs';

/** What is done with something that was done from a register: looked at, taken back. */
export async function POST(request: Request, { params }: { params: Promise<{ together: string; act: string }> }): Promise<Response> {
  const { together, act } = await params;
  if (/^[0-9a-f-]{36}$/.test(together)) {
    if (act === 'show') return answer(request, NOTHING, (services, actor) => showMend(services, actor, { together }));
    if (act === 'take-back') return answer(request, NOTHING, (services, actor) => unmakeMend(services, actor, { together }));
  }
  return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
}
