import { askForPages } from '@inkwell/review';
import { answer } from '@/server/answer';
import { FETCH } from '@/server/inputs';

/** Has pages fetched from their host; answers with the package's number. */
export function POST(request: Request): Promise<Response> {
  return answer(request, FETCH, askForPages, 1_000_000);
}
