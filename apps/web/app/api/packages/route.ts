import { join } from 'node:path';
import { inScratch, LARGEST_PACKAGE, receivePackage } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { fromElsewhere, guarded, problemResponse } from '@/server/answer';
import { bodyToFile, TooLarge } from '@/server/packageBody';
import { services } from '@/server/services';

/**
 * Takes a whole package in, as its very bytes; in the address are its name and the collection it is a newer version of. Answers with its
 * number.
 */
export async function POST(request: Request): Promise<Response> {
  const barred = fromElsewhere(request);
  if (barred) return barred;
  const { searchParams } = new URL(request.url);
  const newerOf = searchParams.get('newer') ?? undefined;
  const name = (searchParams.get('name') ?? '').replace(/^.*[/\\]/, '').slice(0, 200) || 'package.zip';
  return guarded(async () => {
    // Who may not is sent away before a byte of it is taken.
    const actor = await currentActor();
    try {
      return await inScratch(async (folder) => {
        const file = join(folder, 'sent');
        await bodyToFile(request, file);
        const result = await receivePackage(await services(), actor, { name, file, newerOf });
        return result.ok ? Response.json(result) : problemResponse(result.problem);
      });
    } catch (error) {
      if (error instanceof TooLarge) return problemResponse(TOO_LARGE);
      throw error;
    }
  });
}

const TOO_LARGE = {
  code: 'too-large',
  what: 'This package is too large to take in',
  why: `It holds more than ${LARGEST_PACKAGE / 1_000_000_000} GB.`,
  kept: 'Nothing was brought in, and nothing already here was touched.',
  next: 'Split it, and bring its parts in one after another.',
} as const;
