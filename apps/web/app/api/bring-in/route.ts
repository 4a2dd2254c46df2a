import { bringIn, type Incoming } from '@inkwell/review';
import { answer, PAGE_BODY } from '@/server/answer';
import { BRING_IN } from '@/server/inputs';

/** Takes one page in: its text as pasted, or a file's bytes in base 64. */
export function POST(request: Request): Promise<Response> {
  return answer(
    request,
    BRING_IN,
    (services, actor, { collection, title, text, bytes, fileName, door }) => {
      const incoming: Incoming =
        bytes === undefined
          ? { kind: 'text', text: text ?? '' }
          : { kind: 'bytes', bytes: Buffer.from(bytes, 'base64'), fileName: fileName ?? 'page.html' };
      return bringIn(services, actor, { collection, title, incoming, door });
    },
    PAGE_BODY,
  );
}
