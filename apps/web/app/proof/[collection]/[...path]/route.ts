import { viewer } from '@/server/actor';
import { proofResponse } from '@/server/proofResponse';

interface Place {
  params: Promise<{ collection: string; path: string[] }>;
}

/** A page of a collection as readers meet it, or a file it shows, for whoever may see it. */
export async function GET(request: Request, { params }: Place): Promise<Response> {
  return proofResponse(request, viewer, await params);
}
