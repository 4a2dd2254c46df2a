import { notices, readUpTo, unread } from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { checker, ID, NOTHING } from '@/server/inputs';

const base = { type: 'object', additionalProperties: false } as const;
const READ = checker({ ...base, required: ['notice'], properties: { notice: ID } });
const BEFORE = checker({ ...base, required: ['before'], properties: { before: { anyOf: [ID, { type: 'null' }] } } });

/** One's own messages. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  switch ((await params).act) {
    case 'show':
      return answer(request, BEFORE, notices);
    case 'read':
      return answer(request, READ, readUpTo);
    case 'unread':
      return answer(request, NOTHING, (services, actor) => unread(services, actor));
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
