import { lookup } from '@inkwell/core';
import 'server-only';
import { createWriteStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import Busboy from '@fastify/busboy';
import { cancelJobBegun, inScratch, jobTold, LARGEST_PACKAGE, sendIn, type JobTold } from '@inkwell/review';
import { bodyToFile, TooLarge } from '../packageBody';
import type { Asked, Call } from './call';
import { json, valueOf } from './parts';
import { Trouble } from './problems';

/** What a package comes as; the file itself says what it is. */
const TYPES = ['application/zip', 'application/epub+zip', 'application/octet-stream', 'multipart/form-data'] as const;
const ENDINGS: Readonly<Record<string, string>> = { 'application/epub+zip': 'package.epub' };
/** The field of a form that has the package. */
const FIELD = 'package';
const LONGEST_KEY = 200;

/** Packages in, and how far they are. */
export const PACKAGE_CALLS: readonly Call[] = [
  {
    method: 'POST',
    path: '/collections',
    summary: 'Brings a package in as a collection of its own',
    reach: 'bring-in',
    takes: TYPES,
    answers: { one: 'Job' },
    search: { title: { description: 'What the collection is to be called; its own title where this is left out.' } },
    headers: { 'Idempotency-Key': 'The same call again within a day, with the same key, gives the first answer.' },
    statuses: { '202': 'Begun; `Location` names the job' },
    act: (asked) => begun(asked, undefined),
  },
  {
    method: 'PUT',
    path: '/collections/{slug}',
    summary: 'Brings in a newer version of a collection; pages at the same address stay the same pages',
    reach: 'bring-in',
    takes: TYPES,
    answers: { one: 'Job' },
    headers: { 'Idempotency-Key': 'The same call again within a day, with the same key, gives the first answer.' },
    statuses: { '202': 'Begun; `Location` names the job' },
    act: (asked) => begun(asked, asked.named.slug),
  },
  {
    method: 'GET',
    path: '/jobs/{id}',
    summary: 'How far a job is',
    reach: 'read',
    answers: { one: 'Job' },
    act: async ({ services, actor, named }) => json(valueOf(await jobTold(services, actor, { id: named.id! }))),
  },
  {
    method: 'DELETE',
    path: '/jobs/{id}',
    summary: 'Cancels a job: nothing of what it brought so far stays',
    reach: 'bring-in',
    answers: { one: 'Job' },
    act: async ({ services, actor, named }) => json(valueOf(await cancelJobBegun(services, actor, { id: named.id! }))),
  },
];

async function begun({ services, actor, request, search }: Asked, newerOf: string | undefined): Promise<Response> {
  const key = request.headers.get('idempotency-key');
  if (key !== null && (key.trim() === '' || key.length > LONGEST_KEY))
    throw new Trouble('shape', { errors: [{ pointer: '#Idempotency-Key', detail: `It has 1 to ${LONGEST_KEY} characters.` }] });
  const title = (search.get('title') ?? '').slice(0, 300);
  const job = await inScratch(async (folder): Promise<JobTold> => {
    const file = join(folder, 'sent');
    const name = await received(request, file);
    if ((await stat(file)).size === 0)
      throw new Trouble('shape', { detail: 'The body is empty.', errors: [{ pointer: '', detail: 'A package is missing.' }] });
    return valueOf(await sendIn(services, actor, { name, file, title, newerOf, key }));
  });
  return Response.json(job, { status: 202, headers: { location: `/api/v1/jobs/${job.id}` } });
}

/** Writes the package to a file, as it comes. Gives its name. */
async function received(request: Request, file: string): Promise<string> {
  const type = (request.headers.get('content-type') ?? '').split(';')[0]!.trim().toLowerCase();
  const encoding = request.headers.get('content-encoding');
  if (!(TYPES as readonly string[]).includes(type) || (encoding !== null && encoding !== 'identity'))
    throw new Trouble('media-type', { detail: `A package comes as ${TYPES.join(', ')}.` });
  try {
    if (type === 'multipart/form-data') return await fromForm(request, file);
    await bodyToFile(request, file);
    return nameIn(request) ?? lookup(ENDINGS, type) ?? 'package.zip';
  } catch (error) {
    if (error instanceof TooLarge) throw new Trouble('too-large', { detail: `It holds more than ${LARGEST_PACKAGE / 1_000_000_000} GB.` });
    throw error;
  }
}

const plainName = (name: string) => name.replace(/^.*[/\\]/, '').slice(0, 200);

function nameIn(request: Request): string | null {
  const said = /filename="?([^";]+)"?/i.exec(request.headers.get('content-disposition') ?? '')?.[1];
  return said ? plainName(said) : null;
}

const NO_FIELD = () =>
  new Trouble('shape', {
    detail: `The form has no file in its field “${FIELD}”.`,
    errors: [{ pointer: `/${FIELD}`, detail: 'This is missing.' }],
  });

async function fromForm(request: Request, file: string): Promise<string> {
  let form: ReturnType<typeof Busboy>;
  try {
    form = Busboy({
      headers: { 'content-type': request.headers.get('content-type') ?? '' },
      limits: { files: 1, fields: 20, fileSize: LARGEST_PACKAGE },
    });
  } catch {
    throw NO_FIELD();
  }
  let name: string | null = null;
  const written: Promise<void>[] = [];
  form.on('file', (field, part, fileName) => {
    if (field !== FIELD) return void part.resume();
    name = plainName(fileName ?? '') || 'package.zip';
    written.push(
      pipeline(part, createWriteStream(file)).then(() => {
        if ((part as { truncated?: boolean }).truncated) throw new TooLarge();
      }),
    );
  });
  try {
    await pipeline(request.body ? Readable.fromWeb(request.body as never) : Readable.from([]), form);
  } catch {
    await Promise.allSettled(written);
    throw new Trouble('shape', { detail: 'The form breaks off, or is none.', errors: [{ pointer: '', detail: 'This is no form.' }] });
  }
  await Promise.all(written);
  if (name === null) throw NO_FIELD();
  return name;
}
