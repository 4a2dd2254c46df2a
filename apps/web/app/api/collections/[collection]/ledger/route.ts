import { ledger } from '@inkwell/review';
import { choiceFrom } from '@/features/ledger/choice';
import { asked } from '@/server/answer';

/** Pages of a collection further on, by a choice as the ledger's address writes it. */
export async function GET(request: Request, { params }: { params: Promise<{ collection: string }> }): Promise<Response> {
  const collection = decodeURIComponent((await params).collection);
  return asked(async (services, actor) => {
    const book = await ledger(services, actor, { collection, choice: choiceFrom(new URL(request.url).searchParams) });
    return book.ok ? { ok: true, value: { pages: book.value.pages, next: book.value.next } } : book;
  });
}
