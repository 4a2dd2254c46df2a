import { isWell } from '@/server/health';

/** Whether this server can do its work: for whatever watches it. Says nothing about anybody. */
export async function GET(): Promise<Response> {
  const ok = await isWell();
  const said = ok ? { ok } : { ok, what: 'The database cannot be reached.' };
  return Response.json(said, { status: ok ? 200 : 503, headers: { 'cache-control': 'no-store' } });
}
