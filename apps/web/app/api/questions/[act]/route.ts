import { answersGiven, describeAsked, giveAnswer, questions, takeAnswerBack, turnKindOff } from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { ASK, BACK, DESCRIBE, GIVE, GIVEN, OFF } from '@/server/questionInputs';

/** Questions that wait for a person, and what is answered to them. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  switch ((await params).act) {
    case 'ask':
      return answer(request, ASK, questions);
    case 'give':
      return answer(request, GIVE, giveAnswer);
    case 'back':
      return answer(request, BACK, takeAnswerBack);
    case 'describe':
      return answer(request, DESCRIBE, describeAsked);
    case 'given':
      return answer(request, GIVEN, answersGiven);
    case 'off':
      return answer(request, OFF, turnKindOff);
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
