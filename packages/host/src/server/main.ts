import { serveHost } from './serve.ts';

/**
 * A small publishing server with an editor, a public site and an API: the stand-in for where authors write.
 *
 *   INKWELL_HOST_DATABASE   its own database, postgresql://…
 *   INKWELL_HOST_PORT       where it listens, on 127.0.0.1
 *   INKWELL_HOST_TOKEN      what lets programs in
 *   INKWELL_HOST_CHECK      the server that looks at pages before they are published, with INKWELL_HOST_CHECK_TOKEN; without it none does
 */
async function main(): Promise<void> {
  const { INKWELL_HOST_DATABASE: database, INKWELL_HOST_PORT: port, INKWELL_HOST_TOKEN: token, INKWELL_HOST_CHECK: server } = process.env;
  if (!database || !port || !token)
    throw new Error('INKWELL_HOST_DATABASE, INKWELL_HOST_PORT and INKWELL_HOST_TOKEN are not all set: bin/demo sets them.');
  const checker = server ? { server, token: process.env.INKWELL_HOST_CHECK_TOKEN ?? '' } : null;
  const host = await serveHost({ database, port: Number(port), token, checker });
  console.error(`The host is served at http://127.0.0.1:${host.port}`);
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, () => void host.stop());
}

await main();
