import { createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { problem, type Answer } from './answer.ts';
import { apiAnswer } from './api.ts';
import type { Checker } from './check.ts';
import { editorAnswer } from './editor.ts';
import { siteAnswer } from './site.ts';
import { openHostDatabase, prepare, type HostDatabase } from './store.ts';

export interface HostSettings {
  /** Its own database, postgresql://… */
  database: string;
  /** Where it listens, on 127.0.0.1; 0: any. */
  port: number;
  /** What lets programs in. */
  token: string;
  /** What looks at pages before they are published; null: nothing does. */
  checker: Checker | null;
}

/** Serves the host. Gives the port it listens on, and what stops it. */
export async function serveHost({ database, port, token, checker }: HostSettings): Promise<{ port: number; stop(): Promise<void> }> {
  const db = openHostDatabase(database);
  await prepare(db);
  const serving = createServer((request, response) => {
    answered({ db, checker, token }, request)
      .catch((error: unknown): Answer => {
        console.error(error);
        return problem(500, 'Something went wrong here.');
      })
      .then(({ status, type, body, headers = {} }) => {
        response.writeHead(status, {
          'content-type': type,
          'x-content-type-options': 'nosniff',
          'content-security-policy': POLICY,
          ...headers,
        });
        response.end(request.method === 'HEAD' ? undefined : body);
      })
      .catch(() => response.destroy());
  });
  await new Promise<void>((resolve, reject) => serving.once('error', reject).listen(port, '127.0.0.1', resolve));
  return {
    port: (serving.address() as AddressInfo).port,
    async stop() {
      serving.close();
      serving.closeAllConnections();
      await db.destroy();
    },
  };
}

/** What authors write is shown, and runs nothing. */
const POLICY = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; script-src 'none'; frame-ancestors 'none'";

interface Serving {
  db: HostDatabase;
  checker: Checker | null;
  token: string;
}

function answered({ db, checker, token }: Serving, request: IncomingMessage): Promise<Answer> {
  const url = URL.parse(request.url ?? '/', 'http://127.0.0.1');
  try {
    decodeURIComponent(url!.pathname);
  } catch {
    return Promise.resolve(problem(400, 'This is no address.'));
  }
  if (url!.pathname.startsWith('/api/')) return apiAnswer(db, request, url!, token);
  if (url!.pathname.startsWith('/site/')) return siteAnswer(db, url!);
  return editorAnswer(db, checker, request, url!);
}
