import { assetAt, collectionBySlug, isAway, pageAtAddress, revisionOf } from '@inkwell/store';
import { database } from '@/server/database';

/**
 * A page as readers meet it, byte for byte, and the files it shows, at their own relative addresses. Imported pages are hostile: the
 * answer forbids scripts, forms, plugins and everything from outside; the frame that shows it is sandboxed as well.
 */
const POLICY = [
  "default-src 'none'", "img-src 'self' data:", "media-src 'self'", "style-src 'self' 'unsafe-inline'", "font-src 'self' data:", "form-action 'none'", "base-uri 'none'", "frame-ancestors 'self'", 'sandbox allow-same-origin',
].join('; ');

const GUARD = { 'content-security-policy': POLICY, 'x-content-type-options': 'nosniff', 'x-dns-prefetch-control': 'off', 'referrer-policy': 'no-referrer', 'cross-origin-resource-policy': 'same-origin' };

export async function GET(request: Request, { params }: { params: Promise<{ collection: string; path: string[] }> }): Promise<Response> {
  const { collection: slug, path } = await params;
  const address = path.map(decodeURIComponent).join('/');
  try {
    const db = await database();
    const collection = await collectionBySlug(db, slug);
    if (!collection) return nothingHere();
    const asset = await assetAt(db, collection.id, address);
    if (asset) return new Response(new Uint8Array(asset.bytes), { headers: { ...GUARD, 'content-type': asset.media_type, 'cache-control': 'private, max-age=300' } });
    const page = await pageAtAddress(db, collection.id, address);
    if (!page) return nothingHere();
    const asked = Number(new URL(request.url).searchParams.get('revision')) || page.head;
    const revision = await revisionOf(db, page.id, asked);
    return revision ? new Response(revision.html, { headers: { ...GUARD, 'content-type': 'text/html; charset=utf-8', 'cache-control': 'private, max-age=3600' } }) : nothingHere();
  } catch (error) {
    if (!isAway(error)) throw error;
    return new Response('The database cannot be reached.', { status: 503, headers: { ...GUARD, 'content-type': 'text/plain; charset=utf-8' } });
  }
}

function nothingHere(): Response {
  return new Response('There is nothing at this address in the collection.', { status: 404, headers: { ...GUARD, 'content-type': 'text/plain; charset=utf-8' } });
}
