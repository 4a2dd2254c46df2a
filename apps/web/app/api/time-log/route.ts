import { setTimeLog } from '@inkwell/review';
import { answer } from '@/server/answer';
import { TIME_LOG } from '@/server/inputs';

/** Switches the time log of whoever is at the desk on or off. */
export function POST(request: Request): Promise<Response> {
  return answer(request, TIME_LOG, setTimeLog);
}
