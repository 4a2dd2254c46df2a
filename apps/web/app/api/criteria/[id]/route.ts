import { tellCriterion } from '@/server/criteria';
import { problemResponse } from '@/server/answer';

/** One criterion in our words, with the techniques a rule (`?rule=`) cites. It ships with the application: no database is asked. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const told = await tellCriterion(decodeURIComponent(id), new URL(request.url).searchParams.get('rule'));
  if (!told) return problemResponse({ code: 'not-found', what: 'There is no such criterion', kept: 'Nothing was changed.' });
  return Response.json({ ok: true, value: told }, { headers: { 'Cache-Control': 'private, max-age=3600' } });
}
