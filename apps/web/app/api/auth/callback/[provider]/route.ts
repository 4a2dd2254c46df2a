import { guarded } from '@/server/answer';
import { auth } from '@/server/auth';

/** Where the house's own sign-on leads back to. */
export function GET(request: Request): Promise<Response> {
  return guarded(async () => (await auth()).handler(request));
}
