import { join } from 'node:path';
import { expect, request as requests, type APIRequestContext, type APIResponse } from '@playwright/test';
import { ZipFile } from 'yazl';
import { ownTitle } from './desk';

export const ROOT = join(import.meta.dirname, '../..');
export const ALL = ['check', 'read', 'bring-in', 'decide', 'publish', 'admin'] as const;

/** A program that has a token, and no cookie. */
export async function programWith(token: string | null, baseURL: string): Promise<APIRequestContext> {
  const extraHTTPHeaders: Record<string, string> = token === null ? {} : { authorization: `Bearer ${token}` };
  return requests.newContext({ baseURL, extraHTTPHeaders, storageState: { cookies: [], origins: [] } });
}

export async function isProblem(answer: APIResponse, status: number, kind: string): Promise<Record<string, unknown>> {
  expect(`${answer.status()} ${answer.headers()['content-type']}`).toBe(`${status} application/problem+json`);
  const body = (await answer.json()) as Record<string, unknown>;
  expect(body).toMatchObject({ type: `/problems/${kind}`, status });
  for (const name of ['title', 'detail', 'kept', 'next']) expect(typeof body[name]).toBe('string');
  return body;
}

/** A package of two pages. */
export async function zipOf(words: string): Promise<Buffer> {
  const zip = new ZipFile();
  // The same bytes whenever it is made.
  const same = { mtime: new Date(2026, 0, 5) };
  zip.addBuffer(
    Buffer.from(`<!DOCTYPE html><html lang="en"><title>${words}</title><h1>${words}</h1><p><a href="b.html">Wax</a></p>`),
    'index.html',
    same,
  );
  zip.addBuffer(Buffer.from(`<!DOCTYPE html><html lang="en"><title>Wax</title><h1>Wax</h1><h2></h2><p>It melts.</p>`), 'b.html', same);
  zip.end();
  const parts: Buffer[] = [];
  for await (const part of zip.outputStream) parts.push(part as Buffer);
  return Buffer.concat(parts);
}

export interface JobFound {
  id: string;
  state: string;
  progress: { done: number; total: number };
  result: { collection: string } | null;
  problem?: string;
}

export async function begunJob(program: APIRequestContext, words: string, headers: Record<string, string> = {}): Promise<string> {
  const title = encodeURIComponent(`${ownTitle()} ${words}`);
  const all = { 'content-type': 'application/zip', ...headers };
  const answer = await program.post(`/api/v1/collections?title=${title}`, { data: await zipOf(words), headers: all });
  expect(`${answer.status()} ${await answer.text()}`).toMatch(/^202 /);
  const { id } = (await answer.json()) as JobFound;
  expect(answer.headers().location).toBe(`/api/v1/jobs/${id}`);
  return id;
}

export async function endOf(program: APIRequestContext, id: string): Promise<JobFound> {
  let job: JobFound = { id, state: 'waiting', progress: { done: 0, total: 0 }, result: null };
  await expect
    .poll(async () => (job = (await (await program.get(`/api/v1/jobs/${id}`)).json()) as JobFound).state, { timeout: 40_000 })
    .toMatch(/done|failed|cancelled/);
  return job;
}
