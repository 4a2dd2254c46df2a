import { contentOf, joinParts, splitParts, type Part } from './parts.ts';
import { HostTrouble, type Connector, type HostFile, type HostPage, type HostPlace, type HostText, type Pushed } from './types.ts';

/** What a host answered. */
export interface Asked {
  status: number;
  bytes: Uint8Array;
}

/** Asks an address, without following redirects. Throws HostTrouble where it may not, or does not answer within so many ms. */
export type Ask = (
  url: URL,
  sent: { method: string; headers: Record<string, string>; body?: string | Uint8Array | undefined },
  patience: number,
) => Promise<Asked>;

export interface HostOptions {
  /** Where the host is: http://127.0.0.1:4330 */
  address: string;
  token: string;
  /** What asks addresses. */
  ask: Ask;
  /** How long an answer may take, in ms. */
  patience: number;
}

/** Pages listed at once. */
const SOME = 200;

interface Told {
  id: string;
  address: string;
  title: string;
  kind: string;
  tag: string;
  public: string | null;
  parts?: Part[];
}

/** Another host, over its API. */
export function hostConnector({ address, token, ask: sent, patience }: HostOptions): Connector {
  const origin = address.replace(/\/+$/, '');

  async function ask(path: string, method = 'GET', { body, tag }: { body?: object; tag?: string } = {}): Promise<Asked> {
    const url = new URL(path, `${origin}/`);
    if (url.origin !== new URL(origin).origin) throw new HostTrouble('nonsense', `${url.href} lies on another host.`);
    const headers = {
      authorization: `Bearer ${token}`,
      ...(body ? { 'content-type': 'application/json' } : {}),
      ...(tag === undefined ? {} : { 'if-match': `"${tag}"` }),
    };
    return sent(url, { method, headers, body: body && JSON.stringify(body) }, patience);
  }

  function told<T>(answer: Asked, isThat: (value: unknown) => value is T): T {
    if (answer.status === 401 || answer.status === 403)
      throw new HostTrouble('not let in', 'The host does not let us in: its token is not good.');
    if (answer.status >= 500) throw new HostTrouble('away', `The host answered with ${answer.status}.`);
    if (!isOk(answer)) throw new HostTrouble('nonsense', `The host answered with ${answer.status}, which says nothing here.`);
    const text = textOf(answer);
    let value: unknown;
    try {
      value = JSON.parse(text);
    } catch {
      throw new HostTrouble('nonsense', 'The host answered with something that is no JSON.');
    }
    if (!isThat(value)) throw new HostTrouble('nonsense', 'The host answered with JSON of another shape.');
    return value;
  }

  function changed(answer: Asked): Pushed & { address?: string } {
    if (answer.status === 412 || answer.status === 409) return { ok: false, why: 'changed there' };
    if (answer.status === 404) return { ok: false, why: 'gone there' };
    const { tag, public: shownAt } = told(answer, isPage);
    return { ok: true, tag, ...(shownAt === null ? {} : { address: new URL(shownAt, `${origin}/`).href }) };
  }

  const seen = ({ id, kind, public: shownAt, ...page }: Told): HostPage => ({
    remote: id,
    address: page.address,
    title: page.title,
    contentType: kind,
    tag: page.tag,
    publicAddress: shownAt === null ? null : new URL(shownAt, `${origin}/`).href,
  });
  const names = new Map<string, string[]>();

  async function read(remote: string): Promise<HostText | null> {
    const answer = await ask(`api/pages/${encodeURIComponent(remote)}`);
    if (answer.status === 404) return null;
    const page = told(answer, isWholePage);
    names.set(
      remote,
      page.parts.map(({ name }) => name),
    );
    return { ...seen(page), html: joinParts(page.parts) };
  }

  return {
    read,
    places: async () => told(await ask('api/places'), isList(isPlace)).items,
    async *pages(place) {
      for (let after: string | null = ''; after !== null;) {
        const search: string = new URLSearchParams({ limit: String(SOME), ...(after ? { after } : {}) }).toString();
        const list: { items: Told[]; next: string | null } = told(
          await ask(`api/places/${encodeURIComponent(place)}/pages?${search}`),
          isList(isPage),
        );
        yield list.items.map(seen);
        after = list.next;
      }
    },
    async push(remote, { html, note }, tag) {
      if (!names.has(remote) && !(await read(remote))) return { ok: false, why: 'gone there' };
      const parts = splitParts(html, names.get(remote)!);
      if (!parts)
        throw new HostTrouble(
          'nonsense',
          `The page is made of parts there (${names.get(remote)!.join(', ')}), and the comments between them are not all here.`,
        );
      return changed(await ask(`api/pages/${encodeURIComponent(remote)}`, 'PUT', { body: { parts, note }, tag }));
    },
    async publish(remote, tag) {
      const done = changed(await ask(`api/pages/${encodeURIComponent(remote)}/publish`, 'POST', { tag }));
      if (!done.ok) return done;
      if (done.address === undefined) throw new HostTrouble('nonsense', 'The host says it published the page, and not where.');
      return { ...done, address: done.address };
    },
    async unpublish(remote) {
      const answer = await ask(`api/pages/${encodeURIComponent(remote)}/unpublish`, 'POST');
      if (answer.status !== 404) told(answer, isPage);
    },
    async shown(where) {
      const answer = await ask(where);
      if (answer.status === 404 || answer.status === 410) return null;
      if (!isOk(answer))
        throw new HostTrouble(answer.status >= 500 ? 'away' : 'nonsense', `The public page answered with ${answer.status}.`);
      const content = contentOf(textOf(answer));
      if (content === null)
        throw new HostTrouble('nonsense', 'The public page was cut short, or has not the place where its content stands.');
      return content;
    },
    async putFile(place, path, { mediaType, bytes }, tag) {
      const url = new URL(`api/places/${encodeURIComponent(place)}/files/${encodedPath(path)}`, `${origin}/`);
      const only: Record<string, string> = tag === null ? { 'if-none-match': '*' } : { 'if-match': `"${tag}"` };
      const headers = { authorization: `Bearer ${token}`, 'content-type': mediaType, ...only };
      const answer = await sent(url, { method: 'PUT', headers, body: bytes }, patience);
      return answer.status === 412 ? { ok: false, why: 'changed there' } : { ok: true, tag: told(answer, isFile).tag };
    },
    files: async (place) => told(await ask(`api/places/${encodeURIComponent(place)}/files`), isList(isFile)).items,
    async file(place, path) {
      const answer = await ask(`site/${encodeURIComponent(place)}/${encodedPath(path)}`);
      return isOk(answer) ? answer.bytes : null;
    },
  };
}

const encodedPath = (path: string) => path.split('/').map(encodeURIComponent).join('/');
const isOk = ({ status }: Asked) => status >= 200 && status < 300;

function textOf({ bytes }: Asked): string {
  try {
    return new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes);
  } catch {
    throw new HostTrouble('nonsense', 'The host’s answer is not UTF-8.');
  }
}

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;
const areTexts = (value: Record<string, unknown>, keys: readonly string[]) =>
  keys.every((key) => typeof Object.getOwnPropertyDescriptor(value, key)?.value === 'string');
const isPage = (value: unknown): value is Told =>
  isObject(value) &&
  areTexts(value, ['id', 'address', 'title', 'kind', 'tag']) &&
  (value.public === null || typeof value.public === 'string');
const isPart = (value: unknown): value is Part => isObject(value) && areTexts(value, ['name', 'html']);
const isWholePage = (value: unknown): value is Told & { parts: Part[] } =>
  isPage(value) && Array.isArray(value.parts) && value.parts.length > 0 && value.parts.every(isPart);
const isPlace = (value: unknown): value is HostPlace => isObject(value) && areTexts(value, ['place', 'title']);
const isFile = (value: unknown): value is HostFile => isObject(value) && areTexts(value, ['path', 'tag']) && typeof value.size === 'number';
const isList =
  <T>(isOne: (value: unknown) => value is T) =>
  (value: unknown): value is { items: T[]; next: string | null } =>
    isObject(value) && Array.isArray(value.items) && value.items.every(isOne) && (value.next === null || typeof value.next === 'string');
