import { readFile } from 'node:fs/promises';
import { ENGINE_VERSION, isNamedXhtml, parsePage, ruleOf, type ReportedFinding, type Scope, type Verdict } from '@inkwell/core';
import { writeReport, type ReportedPage } from '@inkwell/formats';
import { asText, counted, FORMATS } from './audit.ts';
import { CallError, deliverParts, oneOf, readCall, scopeNamed } from './call.ts';
import { openPaths, readPage, type PageFile } from './pages.ts';
import { titleOf } from './surroundings.ts';

/** Pages that are asked about at one time. */
const AT_ONCE = 4;
/** How often a server that is busy is asked again, and for how long it may be silent, in ms. */
const MOST_TRIES = 5;
const SILENT_MS = 60_000;

interface Server {
  url: string;
  token: string;
  profile: string | object | undefined;
  scope: Scope | undefined;
}

interface Checked {
  engine: string;
  profile: { name: string; standard: string; level: string };
  verdict: Verdict;
  findings: ReportedFinding[];
}

/** `inkwell check`: the same verdicts from a running application, under what its house asks. */
export async function checkCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, {
    server: { type: 'string' },
    'token-file': { type: 'string' },
    profile: { type: 'string' },
    scope: { type: 'string' },
    format: { type: 'string' },
    out: { type: 'string' },
  });
  if (positionals.length === 0) throw new CallError('check needs a PATH: an HTML file, a folder, a package, or - for standard input');
  const format = oneOf('--format', values.format, FORMATS);
  const server: Server = {
    url: serverFrom(values.server),
    token: await tokenFrom(values['token-file']),
    profile: await profileSaid(values.profile),
    scope: scopeNamed(values.scope),
  };
  const opened = await openPaths(positionals);
  const seen = { pages: 0, held: 0, findings: 0 };
  const first: { head: Pick<Checked, 'engine' | 'profile'> | null } = { head: null };
  const pages = await all(counted(checkedPages(server, opened.pages, first), seen));
  const troubles = () => opened.wholes.flatMap((one) => one.troubles);
  const { engine: inkwell = ENGINE_VERSION, profile = { name: '', standard: '', level: '' } } = first.head ?? {};
  const report = { inkwell, profile, ...(opened.wholes.length > 0 ? { troubles } : {}) };
  await deliverParts(
    format === 'text' ? asText(each(pages), seen, undefined, troubles) : writeReport(format, report, each(pages), ruleOf),
    values.out,
  );
  return seen.held > 0 ? 1 : 0;
}

function serverFrom(url: string | undefined): string {
  if (url === undefined) throw new CallError('check needs --server URL, where the application is reached');
  if (!URL.canParse(url) || !/^https?:$/.test(new URL(url).protocol))
    throw new CallError(`--server is an http or https address, not "${url}"`);
  return url.replace(/\/+$/, '');
}

async function tokenFrom(file: string | undefined): Promise<string> {
  const text =
    file === undefined
      ? process.env.INKWELL_TOKEN
      : await readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => {
          throw new CallError(`the token file ${file} cannot be read (${error.code ?? error.message})`);
        });
  const token = text?.trim() ?? '';
  if (!/^\S+$/.test(token)) throw new CallError('check needs a token: --token-file FILE, or INKWELL_TOKEN');
  return token;
}

/** A profile by its name on the server, or a whole one from a file. */
async function profileSaid(said: string | undefined): Promise<string | object | undefined> {
  if (said === undefined || !/[./\\]/.test(said)) return said;
  try {
    return JSON.parse(await readFile(said, 'utf8')) as object;
  } catch (error) {
    throw new CallError(`the profile ${said} cannot be read (${(error as Error).message})`);
  }
}

/** Pages in their order, some asked about at one time. */
async function* checkedPages(
  server: Server,
  files: readonly PageFile[],
  first: { head: Pick<Checked, 'engine' | 'profile'> | null },
): AsyncGenerator<ReportedPage> {
  for (let at = 0; at < files.length; at += AT_ONCE)
    for (const { page, head } of await Promise.all(files.slice(at, at + AT_ONCE).map((file) => checkedPage(server, file)))) {
      first.head ??= head;
      yield page;
    }
}

async function checkedPage(server: Server, file: PageFile): Promise<{ page: ReportedPage; head: Pick<Checked, 'engine' | 'profile'> }> {
  const { html } = await readPage(file);
  const { url, token, profile, scope } = server;
  const asked = { html, ...(file.title ? { title: file.title } : {}), ...(scope ? { scope } : {}), ...(profile ? { profile } : {}) };
  const { engine, profile: under, verdict, findings } = await asks(`${url}/api/v1/checks`, token, JSON.stringify(asked), file.path);
  const plain = findings.map(({ rule, family, weight, outcome, criteria, techniques, message, at, places, fingerprint, remedies }) => ({
    ...{ rule, family, weight, outcome, criteria, techniques, message, at, ...(places ? { places } : {}), fingerprint, remedies },
  }));
  const read = parsePage(html, { ...(scope ? { scope } : {}), xhtml: file.inside === null && isNamedXhtml(file.path) });
  const page = { path: file.path, title: titleOf(read, file), scope: read.scope, verdict, findings: plain };
  return { page, head: { engine, profile: under } };
}

async function asks(address: string, token: string, body: string, path: string): Promise<Checked> {
  for (let tries = 1; ; tries++) {
    const headers = { authorization: `Bearer ${token}`, 'content-type': 'application/json' };
    const answer = await fetch(address, { method: 'POST', headers, body, redirect: 'error', signal: AbortSignal.timeout(SILENT_MS) }).catch(
      (error: Error) => {
        throw new CallError(
          `${address} did not answer (${(error.cause as Error | undefined)?.message ?? error.message}); is the server there?`,
        );
      },
    );
    if (answer.ok) return (await answer.json()) as Checked;
    if ((answer.status === 429 || answer.status === 503) && tries < MOST_TRIES) {
      await new Promise((resolve) => setTimeout(resolve, 1000 * Math.min(60, Number(answer.headers.get('retry-after')) || tries)));
      continue;
    }
    const problem = (await answer.json().catch(() => ({}))) as { title?: string; detail?: string };
    throw new CallError(
      `${path} was not checked: ${problem.title ?? `status ${answer.status}`}${problem.detail ? `. ${problem.detail}` : ''}`,
    );
  }
}

async function all<T>(pages: AsyncIterable<T>): Promise<T[]> {
  const found: T[] = [];
  for await (const page of pages) found.push(page);
  return found;
}

async function* each<T>(pages: readonly T[]): AsyncGenerator<T> {
  yield* pages;
}
