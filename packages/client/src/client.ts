import { InkwellProblem } from './problem.ts';
import type { Check, CheckWish, InkwellEvent, Job, Page, PageWithTag } from './types.ts';

export interface ClientOptions {
  /** Where the server is: https://check.larkmoor.example */
  server: string;
  token: string;
  fetch?: typeof fetch;
}

interface Sent {
  body?: unknown;
  bytes?: Blob;
  headers?: Record<string, string>;
}

/** How long is waited between two looks at a job, in ms. */
const LOOK_MS = 500;

/** Each method throws InkwellProblem where the server refuses. */
export class InkwellClient {
  readonly #options: ClientOptions;

  constructor(options: ClientOptions) {
    this.#options = options;
  }

  /** Looks at a text; nothing of it is kept. Wants the reach `check`, with `page` also `read`. */
  check(wish: CheckWish): Promise<Check> {
    return this.#json('POST', '/checks', { body: wish });
  }

  /** Brings a package in, and waits until its pages are here. `key`: the same call again with it brings nothing in twice. */
  async bringIn(bytes: Blob, { title, key }: { title?: string; key?: string } = {}): Promise<Job> {
    const search = title === undefined ? '' : `?${new URLSearchParams({ title }).toString()}`;
    return this.#ended(await this.#json<Job>('POST', `/collections${search}`, { bytes, headers: key ? { 'idempotency-key': key } : {} }));
  }

  /** Brings in a newer version of a collection, and waits until it is here. */
  async renew(collection: string, bytes: Blob): Promise<Job> {
    return this.#ended(await this.#json<Job>('PUT', `/collections/${encodeURIComponent(collection)}`, { bytes }));
  }

  job(id: string): Promise<Job> {
    return this.#json('GET', `/jobs/${encodeURIComponent(id)}`);
  }

  async #ended(job: Job): Promise<Job> {
    let now = job;
    while (now.state === 'waiting' || now.state === 'running') {
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
      now = await this.job(job.id);
    }
    return now;
  }

  /** The pages of a collection, one after another, however many there are. */
  async *pages(collection: string): AsyncGenerator<Page> {
    for (let cursor: string | null = ''; cursor !== null;) {
      const search: string = cursor === '' ? '' : `&cursor=${encodeURIComponent(cursor)}`;
      const part: { items: Page[]; next: string | null } = await this.#json(
        'GET',
        `/collections/${encodeURIComponent(collection)}/pages?limit=500${search}`,
      );
      yield* part.items;
      cursor = part.next;
    }
  }

  page(id: number): Promise<PageWithTag> {
    return this.#page('GET', `/pages/${id}`);
  }

  /** Gives a page another text, when it is as it was seen. */
  putPage(id: number, tag: string, html: string, note?: string): Promise<PageWithTag> {
    return this.#page('PUT', `/pages/${id}`, { body: note === undefined ? { html } : { html, note }, headers: { 'if-match': tag } });
  }

  /** Signs a page off, publishes it (now, or at a time), or takes it off, as it was seen. */
  sign(id: number, tag: string): Promise<PageWithTag> {
    return this.#page('POST', `/pages/${id}/sign`, { headers: { 'if-match': tag } });
  }
  publish(id: number, tag: string, at?: Date): Promise<PageWithTag> {
    const body = at === undefined ? {} : { body: { at: at.toISOString() } };
    return this.#page('POST', `/pages/${id}/publish`, { ...body, headers: { 'if-match': tag } });
  }
  unpublish(id: number, tag: string): Promise<PageWithTag> {
    return this.#page('POST', `/pages/${id}/unpublish`, { headers: { 'if-match': tag } });
  }

  /** What happened behind a cursor; from the beginning without one. The cursor it gives is kept for the next time. */
  events(cursor?: string): Promise<{ items: InkwellEvent[]; cursor: string; more: boolean }> {
    return this.#json('GET', `/events${cursor === undefined ? '' : `?cursor=${encodeURIComponent(cursor)}`}`);
  }

  /** The record of a collection, in one of its forms. */
  async report(collection: string, format: 'json' | 'earl' | 'csv' | 'html' | 'pdf' | 'xlsx'): Promise<Blob> {
    return (await this.#asked('GET', `/collections/${encodeURIComponent(collection)}/report?format=${format}`)).blob();
  }

  async #page(method: string, path: string, sent: Sent = {}): Promise<PageWithTag> {
    const answer = await this.#asked(method, path, sent);
    return { page: (await answer.json()) as Page, tag: answer.headers.get('etag') ?? '' };
  }

  async #json<T>(method: string, path: string, sent: Sent = {}): Promise<T> {
    return (await (await this.#asked(method, path, sent)).json()) as T;
  }

  async #asked(method: string, path: string, { body, bytes, headers = {} }: Sent = {}): Promise<Response> {
    const { server, token, fetch: ask = fetch } = this.#options;
    const answer = await ask(new URL(`/api/v1${path}`, server), {
      method,
      headers: {
        authorization: `Bearer ${token}`,
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(bytes ? { 'content-type': bytes.type || 'application/octet-stream' } : {}),
        ...headers,
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      ...(bytes ? { body: bytes } : {}),
    });
    if (!answer.ok) throw await InkwellProblem.of(answer);
    return answer;
  }
}
