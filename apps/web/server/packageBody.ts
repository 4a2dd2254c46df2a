import 'server-only';
import { createWriteStream } from 'node:fs';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { LARGEST_PACKAGE } from '@inkwell/review';

/** More was sent than a package may hold. */
export class TooLarge extends Error {}

/** Lets so many bytes pass, and no more. */
function within(most: number): Transform {
  let length = 0;
  return new Transform({
    transform(part: Buffer, _encoding, next) {
      length += part.length;
      if (length > most) next(new TooLarge());
      else next(null, part);
    },
  });
}

/**
 * Writes the body of a request to a file, as it comes.
 *
 * @throws TooLarge
 */
export async function bodyToFile(request: Request, file: string): Promise<void> {
  const body = request.body ? Readable.fromWeb(request.body as never) : Readable.from([]);
  await pipeline(body, within(LARGEST_PACKAGE), createWriteStream(file));
}
