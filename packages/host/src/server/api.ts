import type { IncomingMessage } from 'node:http';
import { CONTENT_BEGINS, CONTENT_ENDS, joinParts, splitParts, type Part } from '../connector/parts.ts';
import { bodyOf, json, problem, type Answer } from './answer.ts';
import {
  addHosted,
  dropPlace,
  filesIn,
  pageBy,
  pagesIn,
  places,
  putFile,
  putPlace,
  saveDraft,
  setPublished,
  tagOf,
  type HostDatabase,
  type HostedPage,
} from './store.ts';

/** Pages listed at once, at most. */
const SOME = 200;

/** Where readers find a page. */
export const publicPath = ({ place, address }: Pick<HostedPage, 'place' | 'address'>) =>
  `/site/${encodeURIComponent(place)}/${address.split('/').map(encodeURIComponent).join('/')}`;

function told(page: HostedPage, whole: boolean) {
  const { id, address, title, kind, summary, parts } = page;
  return {
    ...{ id: String(id), address, title, kind, summary, tag: tagOf(page) },
    public: page.published === null ? null : publicPath(page),
    ...(whole ? { parts } : {}),
  };
}

const pageAnswer = (page: HostedPage) => json(told(page, true), 200, { etag: `"${tagOf(page)}"` });

/**
 * The parts of a page as they are kept. Null where they are none that can be told apart again: a part of no or a double name, or with a
 * comment inside that the host writes between parts or around them.
 */
export function partsFrom(value: unknown): Part[] | null {
  if (!Array.isArray(value) || value.length === 0 || value.length > 20) return null;
  const parts = value.map((one: unknown) => one as Partial<Part>).map(({ name, html }) => ({ name, html }));
  if (parts.some(({ name, html }) => typeof name !== 'string' || typeof html !== 'string')) return null;
  const known = parts as Part[];
  const names = known.map(({ name }) => name);
  if (names[0] !== 'main' || new Set(names).size < names.length) return null;
  if (known.some(({ html }) => html.includes(CONTENT_BEGINS) || html.includes(CONTENT_ENDS))) return null;
  return splitParts(joinParts(known), names) && known;
}

/** Answers a request below /api/, of whoever has the token. */
export async function apiAnswer(db: HostDatabase, request: IncomingMessage, url: URL, token: string): Promise<Answer> {
  if (request.headers.authorization !== `Bearer ${token}`) return problem(401, 'This wants the token of the host.');
  const [, , of, name, what, ...rest] = url.pathname.split('/').map(decodeURIComponent);
  const method = request.method ?? 'GET';
  if (of === 'places' && name === undefined) return json({ items: await places(db), next: null });
  if (of === 'places') return placeAnswer(db, request, { method, place: name!, what, rest: rest.join('/'), search: url.searchParams });
  const page = of === 'pages' && /^\d{1,9}$/.test(name ?? '') ? await pageBy(db, { id: Number(name) }) : undefined;
  return page ? pageCall(db, request, page, `${method} ${what ?? ''}`) : problem(404, 'There is no such page.');
}

interface OnPlace {
  method: string;
  place: string;
  what: string | undefined;
  rest: string;
  search: URLSearchParams;
}

async function placeAnswer(db: HostDatabase, request: IncomingMessage, { method, place, what, rest, search }: OnPlace): Promise<Answer> {
  switch (`${method} ${what ?? ''}`) {
    case 'PUT ':
      await putPlace(db, place, String(jsonOf(await bodyOf(request))?.title ?? place));
      return json({ place });
    case 'DELETE ':
      await dropPlace(db, place);
      return json({ place });
    case 'GET pages':
      return listed(db, place, search);
    case 'POST pages':
      return added(db, place, jsonOf(await bodyOf(request)));
    case 'GET files':
      return json({ items: await filesIn(db, place), next: null });
    case 'PUT files':
      return fileTaken(db, request, place, rest);
    default:
      return problem(405, 'That is not done here.');
  }
}

/** A file, in the place of the one its sender saw: of whoever names none, in the place of any. */
async function fileTaken(db: HostDatabase, request: IncomingMessage, place: string, path: string): Promise<Answer> {
  const bytes = await bodyOf(request);
  if (!bytes) return problem(413, 'This file is too long.');
  if (path === '' || path.split('/').some((part) => /^\.{0,2}$/.test(part))) return problem(422, 'This is no path of a file.');
  if (!(await places(db)).some((one) => one.place === place)) return problem(404, 'There is no such place.');
  const over = request.headers['if-none-match'] === '*' ? null : request.headers['if-match']?.replace(/^"|"$/g, '');
  const type = request.headers['content-type'] ?? 'application/octet-stream';
  const taken = await putFile(db, { place, path, type, bytes }, over);
  return taken ? json(taken) : problem(412, 'Another file lies here by now.');
}

const MOVED_ON = problem(412, 'The page is another one by now.');

async function pageCall(db: HostDatabase, request: IncomingMessage, page: HostedPage, what: string): Promise<Answer> {
  const isMatch = request.headers['if-match'] === `"${tagOf(page)}"`;
  switch (what) {
    case 'GET ':
      return pageAnswer(page);
    case 'POST unpublish':
      await setPublished(db, page.id, null);
      return pageAnswer({ ...page, published: null });
    case 'PUT ':
      return isMatch ? put(db, page, jsonOf(await bodyOf(request))) : MOVED_ON;
    case 'POST publish':
      if (!isMatch || !(await setPublished(db, page.id, page.head))) return MOVED_ON;
      return pageAnswer({ ...page, published: page.head });
    default:
      return problem(405, 'That is not done here.');
  }
}

async function listed(db: HostDatabase, place: string, search: URLSearchParams): Promise<Answer> {
  const limit = Math.min(SOME, Math.max(1, Number(search.get('limit')) || SOME));
  const found = await pagesIn(db, place, Number(search.get('after')) || 0, limit + 1);
  const items = found.slice(0, limit);
  return json({ items: items.map((page) => told(page, false)), next: found.length > limit ? String(items.at(-1)!.position) : null });
}

async function added(db: HostDatabase, place: string, said: Record<string, unknown> | null): Promise<Answer> {
  const parts = partsFrom(said?.parts);
  const { address, title, kind = 'page', summary = '' } = said ?? {};
  if (!parts || typeof address !== 'string' || typeof title !== 'string') return problem(422, 'A page has parts, an address and a title.');
  const id = await addHosted(db, { place, address, title, kind: String(kind), summary: String(summary), parts }, 'by its API');
  return id === null ? problem(409, 'There is a page at this address.') : json(told((await pageBy(db, { id }))!, true), 201);
}

async function put(db: HostDatabase, page: HostedPage, said: Record<string, unknown> | null): Promise<Answer> {
  const parts = partsFrom(said?.parts);
  if (!parts) return problem(422, 'These are no parts of a page.');
  const head = await saveDraft(db, page.id, page.head, { parts, note: String(said?.note ?? ''), by: 'by its API' });
  return head === null ? MOVED_ON : pageAnswer({ ...page, head, parts });
}

function jsonOf(body: Buffer | null): Record<string, unknown> | null {
  try {
    const value: unknown = JSON.parse((body ?? Buffer.alloc(0)).toString('utf8'));
    return typeof value === 'object' && value !== null ? (value as Record<string, unknown>) : null;
  } catch {
    return null;
  }
}
