import { thumbnail } from '@inkwell/review';
import { viewer } from '@/server/actor';
import { guarded } from '@/server/answer';
import { services } from '@/server/services';

const MISSING = { status: 404, headers: { 'cache-control': 'no-store' } };

/** An image of a collection, small, by the hash of its bytes: it never changes. */
export async function GET(_request: Request, { params }: { params: Promise<{ sha256: string }> }): Promise<Response> {
  const { sha256 } = await params;
  if (!/^[0-9a-f]{64}$/.test(sha256)) return new Response(null, MISSING);
  return guarded(async () => {
    const shown = await thumbnail(await services(), await viewer(), { sha256 });
    if (!shown.ok) return new Response(null, MISSING);
    return new Response(shown.value as BodyInit, {
      headers: {
        'content-type': 'image/webp',
        'cache-control': 'private, max-age=31536000, immutable',
        'x-content-type-options': 'nosniff',
      },
    });
  });
}
