import {
  endSecondFactor,
  endToken,
  endTheirSessions,
  givePart,
  invite,
  inviteAgain,
  leave,
  moveTo,
  newToken,
  removePerson,
  setKeeping,
  showDeeds,
  showMessages,
  showPeople,
  takePart,
  tokens,
} from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { ownAddress } from '@/server/auth';
import { NOTHING } from '@/server/inputs';
import {
  DEEDS,
  DEPARTMENT,
  END_TOKEN,
  FIND_PEOPLE,
  GIVE_PART,
  INVITE,
  KEEPING,
  LEAVE,
  MESSAGES,
  NEW_TOKEN,
  PERSON_ONLY,
  TAKE_PART,
} from '@/server/peopleInputs';

/** What is done about people: who may is looked at by each act. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  const site = ownAddress();
  switch ((await params).act) {
    case 'find':
      return answer(request, FIND_PEOPLE, (services, actor, { words, after }) =>
        showPeople(services, actor, { words, after: after ?? null }),
      );
    case 'invite':
      return answer(request, INVITE, (services, actor, wish) => invite(services, actor, { ...wish, site }));
    case 'invite-again':
      return answer(request, PERSON_ONLY, (services, actor, wish) => inviteAgain(services, actor, { ...wish, site }));
    case 'give-part':
      return answer(request, GIVE_PART, (services, actor, wish) => givePart(services, actor, wish));
    case 'take-part':
      return answer(request, TAKE_PART, (services, actor, wish) => takePart(services, actor, wish));
    case 'leave':
      return answer(request, LEAVE, (services, actor, wish) => leave(services, actor, wish));
    case 'remove':
      return answer(request, PERSON_ONLY, (services, actor, wish) => removePerson(services, actor, wish));
    case 'department':
      return answer(request, DEPARTMENT, (services, actor, wish) => moveTo(services, actor, wish));
    case 'end-second-factor':
      return answer(request, PERSON_ONLY, (services, actor, wish) => endSecondFactor(services, actor, wish));
    case 'tokens':
      return answer(request, NOTHING, (services, actor) => tokens(services, actor));
    case 'new-token':
      return answer(request, NEW_TOKEN, (services, actor, wish) => newToken(services, actor, wish));
    case 'end-token':
      return answer(request, END_TOKEN, (services, actor, wish) => endToken(services, actor, wish));
    case 'keeping':
      return answer(request, KEEPING, (services, actor, wish) => setKeeping(services, actor, wish));
    case 'end-sessions':
      return answer(request, PERSON_ONLY, (services, actor, wish) => endTheirSessions(services, actor, wish));
    case 'messages':
      return answer(request, MESSAGES, (services, actor, wish) => showMessages(services, actor, wish));
    case 'deeds':
      return answer(request, DEEDS, (services, actor, wish) => showDeeds(services, actor, wish));
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
