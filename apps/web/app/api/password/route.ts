import { askForPassword } from '@inkwell/review';
import { open } from '@/server/answer';
import { ownAddress } from '@/server/auth';
import { ASK_FOR_PASSWORD } from '@/server/peopleInputs';
import { services } from '@/server/services';

/** Sends whoever has an address a link to choose a new password with; says the same whether anybody has it. */
export function POST(request: Request): Promise<Response> {
  return open(request, ASK_FOR_PASSWORD, async ({ email }) => {
    const asked = await askForPassword(await services(), { email, site: ownAddress() });
    return asked.ok ? Response.json(asked) : asked.problem;
  });
}
