import { tellBarrier } from '@inkwell/review';
import { open } from '@/server/answer';
import { BARRIER } from '@/server/reportInputs';
import { services } from '@/server/services';

/** Longest message of a reader, in bytes. */
const LONGEST = 32 * 1024;

/** A reader tells of a barrier. Nobody need be signed in. */
export function POST(request: Request): Promise<Response> {
  return open(
    request,
    BARRIER,
    async (wish) => {
      const told = await tellBarrier(await services(), wish);
      return told.ok ? Response.json(told) : told.problem;
    },
    LONGEST,
  );
}
