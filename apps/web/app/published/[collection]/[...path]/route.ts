import { THE_SYSTEM } from '@inkwell/review';
import { isDemo } from '@/server/auth';
import { proofResponse } from '@/server/proofResponse';

/** The site of the demo that stands open to everybody, so that fetching pages can be tried without a network. */
const PUBLISHED = 'larkmoor-canal-trust';

interface Place {
  params: Promise<{ collection: string; path: string[] }>;
}

/** In the demo: a page of its public site, for whoever asks. Elsewhere nothing. */
export async function GET(request: Request, { params }: Place): Promise<Response> {
  const asked = await params;
  if (!isDemo() || asked.collection !== PUBLISHED) return new Response('There is nothing at this address.', { status: 404 });
  return proofResponse(request, () => Promise.resolve(THE_SYSTEM), asked);
}
