import { health } from '@/server/health';

/** Whether this server can do its work, and which part cannot: for whatever watches it. Says nothing about anybody. */
export async function GET(): Promise<Response> {
  const { ok, what, parts } = await health();
  const said = what === null ? { ok, parts } : { ok, what, parts };
  return Response.json(said, { status: ok ? 200 : 503, headers: { 'cache-control': 'no-store' } });
}
