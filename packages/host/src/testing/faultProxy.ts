import { createServer, request as ask, type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';

/**
 * What goes wrong between us and a host: it is `down`, `slow`, answers `nonsense`, shows `yesterday`'s page with 200, `truncates` what it
 * shows, says it published and `lies`, or has its page `changed` in the very moment before it is published.
 */
export type Fault = 'none' | 'down' | 'slow' | 'nonsense' | 'yesterday' | 'truncates' | 'lies' | 'changed';

export interface FaultProxy {
  address: string;
  /** What goes wrong from now on. */
  set(fault: Fault): void;
  stop(): void;
}

/** Stands before a host and has things go wrong. `change`: changes the page that is about to be published. */
export async function faultProxy(host: number, change: (path: string) => Promise<void>, slowMs = 12_000): Promise<FaultProxy> {
  let fault: Fault = 'none';
  const shown = new Map<string, Buffer>();
  const server = createServer((request, response) => void answer(request, response).catch(() => response.destroy()));

  async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const path = request.url ?? '/';
    const isPublic = path.startsWith('/site/');
    if (fault === 'down') return void response.destroy();
    if (fault === 'slow') await new Promise((resolve) => setTimeout(resolve, slowMs));
    if (fault === 'nonsense' && !isPublic)
      return void response.writeHead(200, { 'content-type': 'application/json' }).end('<html>Login</html>');
    if (fault === 'lies' && /\/(un)?publish$/.test(path)) {
      const page = await passed(request, path.replace(/\/(un)?publish$/, ''), 'GET');
      const told = { ...(JSON.parse(page.body.toString()) as object), public: '/site/bees/hive.html' };
      return void response.writeHead(200, { 'content-type': 'application/json' }).end(JSON.stringify(told));
    }
    if (fault === 'changed' && path.endsWith('/publish')) await change(path);
    const { status, headers, body } = await passed(request, path);
    if (isPublic && fault === 'yesterday' && shown.has(path)) return void response.writeHead(200, headers).end(shown.get(path));
    if (isPublic && status === 200) shown.set(path, body);
    const cut = isPublic && fault === 'truncates' ? body.subarray(0, body.length - 60) : body;
    response.writeHead(status, { ...headers, 'content-length': cut.length }).end(cut);
  }

  async function passed(request: IncomingMessage, path: string, method = request.method) {
    const sent: Buffer[] = [];
    if (method === request.method) for await (const part of request) sent.push(part as Buffer);
    return new Promise<{ status: number; headers: IncomingMessage['headers']; body: Buffer }>((resolve, reject) => {
      const through = ask(
        { host: '127.0.0.1', port: host, path, method, headers: { ...request.headers, 'content-length': Buffer.concat(sent).length } },
        (reply) => {
          const parts: Buffer[] = [];
          reply.on('data', (part: Buffer) => parts.push(part));
          reply.on('end', () => {
            const headers = { ...reply.headers };
            delete headers['transfer-encoding'];
            resolve({ status: reply.statusCode ?? 502, headers, body: Buffer.concat(parts) });
          });
        },
      );
      through.on('error', reject);
      through.end(Buffer.concat(sent));
    });
  }

  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    set: (next) => (fault = next),
    stop: () => {
      server.close();
      server.closeAllConnections();
    },
  };
}
