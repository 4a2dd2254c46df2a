import { setKeys } from '@inkwell/review';
import { answer } from '@/server/answer';
import { KEYS } from '@/server/inputs';

/** Keeps the keys of whoever is at the desk. */
export function POST(request: Request): Promise<Response> {
  return answer(request, KEYS, setKeys);
}
