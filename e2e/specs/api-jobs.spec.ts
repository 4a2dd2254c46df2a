import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { verifySignature } from '@inkwell/client';
import { expect, test } from '../support/test';
import { broughtIn, freshTitle, ownCollection, ownTitle, pageIdOf } from '../support/desk';
import { ALL, begunJob, endOf, isProblem, programWith, ROOT, zipOf, type JobFound } from '../support/program';
import { tokenFor } from '../support/token';

test('packages come in as jobs: once for a key, newer ones on the same pages, none where they cannot be opened', async ({ baseURL }) => {
  const program = await programWith((await tokenFor(null, ALL)).token, baseURL!);
  const key = { 'idempotency-key': `${ownTitle()} one` };
  const first = await begunJob(program, 'Key', key);
  expect(await begunJob(program, 'Key', key)).toBe(first);
  const job = await endOf(program, first);
  expect(job).toMatchObject({ state: 'done', progress: { done: 2, total: 2 } });
  const { collection } = job.result!;
  const pages = async () =>
    (
      (await (await program.get(`/api/v1/collections/${collection}/pages`)).json()) as {
        items: { id: number; address: string; revision: number }[];
      }
    ).items;
  const before = await pages();
  await isProblem(await program.delete(`/api/v1/jobs/${first}`), 409, 'conflict');
  // The very bytes come out again.
  expect(Buffer.compare(await (await program.get(`/api/v1/collections/${collection}/package`)).body(), await zipOf('Key'))).toBe(0);
  const form = { package: { name: 'newer.zip', mimeType: 'application/zip', buffer: await zipOf('Another') } };
  const put = await program.put(`/api/v1/collections/${collection}`, { multipart: form });
  expect(put.status()).toBe(202);
  const twice = await program.put(`/api/v1/collections/${collection}`, {
    data: await zipOf('Third'),
    headers: { 'content-type': 'application/octet-stream' },
  });
  await isProblem(twice, 409, 'conflict');
  expect(await endOf(program, ((await put.json()) as JobFound).id)).toMatchObject({ state: 'done', result: { collection } });
  const after = await pages();
  expect(after.map(({ id, address }) => [id, address])).toEqual(before.map(({ id, address }) => [id, address]));
  expect(after.find(({ address }) => address === 'index.html')!.revision).toBe(2);
  // What cannot be opened is a job that failed, and leaves nothing behind.
  const many = async () => ((await (await program.get('/api/v1/collections?limit=500')).json()) as { items: object[] }).items.length;
  const were = await many();
  const bad = await program.post('/api/v1/collections', {
    data: Buffer.from('no zip at all'),
    headers: { 'content-type': 'application/zip' },
  });
  expect(await endOf(program, ((await bad.json()) as JobFound).id)).toMatchObject({
    state: 'failed',
    result: null,
    problem: expect.stringContaining('zip'),
  });
  expect(await many()).toBe(were);
  await isProblem(await program.post('/api/v1/collections', { data: 'x', headers: { 'content-type': 'text/plain' } }), 415, 'media-type');
  await isProblem(await program.post('/api/v1/collections', { multipart: { other: 'x' } }), 422, 'shape');
  const other = await programWith((await tokenFor('odile.marsh@larkmoor.example', ['read'])).token, baseURL!);
  await isProblem(await other.get(`/api/v1/jobs/${first}`), 404, 'not-found');
  await isProblem(await program.get('/api/v1/jobs/none'), 404, 'not-found');
  await program.dispose();
  await other.dispose();
});

test('a webhook is told of what happens, signed, again after a failure under the same id; a barred address is refused', async ({
  page,
  baseURL,
}) => {
  const program = await programWith((await tokenFor(null, ALL)).token, baseURL!);
  const got: { id: string; signature: string; body: string }[] = [];
  let status = 500;
  const receiver = createServer((request, response) => {
    const parts: Buffer[] = [];
    request.on('data', (part: Buffer) => parts.push(part));
    request.on('end', () => {
      const { 'inkwell-delivery': id, 'inkwell-signature': signature } = request.headers;
      got.push({ id: String(id), signature: String(signature), body: Buffer.concat(parts).toString() });
      // A redirect is not followed, and counts as not received.
      response.writeHead(status, status === 302 ? { location: `${baseURL}/elsewhere` } : {}).end('heard');
      status = status === 500 ? 302 : 200;
    });
  });
  await new Promise<void>((resolve) => receiver.listen(0, '127.0.0.1', resolve));
  try {
    const url = `http://127.0.0.1:${(receiver.address() as AddressInfo).port}/in`;
    const hook = (await (await program.post('/api/v1/webhooks', { data: { url, events: ['page.signed'] } })).json()) as {
      id: number;
      secret: string;
    };
    for (const barred of [
      'http://10.1.2.3/in',
      'http://[::1]/in',
      'http://169.254.169.254/latest',
      'ftp://larkmoor.example/',
      'no address',
    ])
      await isProblem(await program.post('/api/v1/webhooks', { data: { url: barred, events: ['page.signed'] } }), 422, 'shape');
    const collection = await ownCollection();
    const { slug } = await broughtIn(page, collection, freshTitle('Hooked'), '<h2>Wax</h2><p>It melts.</p>');
    const id = await pageIdOf(collection, slug);
    const cursor = ((await (await program.get('/api/v1/events?limit=500')).json()) as { cursor: string }).cursor;
    expect((await program.post(`/api/v1/pages/${id}/sign`, { headers: { 'if-match': '*' } })).status()).toBe(200);
    await expect.poll(() => got.length, { timeout: 45_000 }).toBe(3);
    expect(new Set(got.map((one) => one.id)).size).toBe(1);
    for (const { body, signature } of got) expect(await verifySignature(body, signature, hook.secret)).toBe(true);
    expect(await verifySignature(got[0]!.body, got[0]!.signature, hook.secret, Date.now() / 1000 + 3_600)).toBe(false);
    expect(JSON.parse(got[2]!.body)).toMatchObject({ type: 'page.signed', collection, page: { id }, by: { name: expect.any(String) } });
    // Whoever missed it reads it from a cursor.
    let [from, found] = [cursor, false];
    for (let more = true; more && !found;) {
      const part = (await (await program.get(`/api/v1/events?cursor=${from}`)).json()) as {
        items: { type: string; page?: { id: number } }[];
        cursor: string;
        more: boolean;
      };
      found = part.items.some((one) => one.type === 'page.signed' && one.page?.id === id);
      [from, more] = [part.cursor, part.more];
    }
    expect(found).toBe(true);
    await isProblem(await program.get('/api/v1/events?cursor=made-up'), 422, 'shape');
    const sent = (await (await program.get(`/api/v1/webhooks/${hook.id}/deliveries`)).json()) as { items: object[] };
    expect(sent.items[0]).toMatchObject({ id: got[0]!.id, state: 'received', tries: 3, status: 200, answer: 'heard' });
    expect((await program.delete(`/api/v1/webhooks/${hook.id}`)).status()).toBe(204);
    const narrow = await programWith((await tokenFor(null, ['read'])).token, baseURL!);
    await isProblem(await narrow.get('/api/v1/webhooks'), 403, 'not-allowed');
    await narrow.dispose();
  } finally {
    receiver.close();
    await program.dispose();
  }
});

test('the report is given in the form that is asked for; its numbers are those of the command over the exported package', async ({
  baseURL,
}) => {
  const program = await programWith((await tokenFor(null, ALL)).token, baseURL!);
  const { collection } = (await endOf(program, await begunJob(program, 'Reported'))).result!;
  const report = `/api/v1/collections/${collection}/report`;
  const said = (await (await program.get(report)).json()) as {
    totals: Record<string, number>;
    findings: object[];
    criteria: { id: string; outcome: string }[];
    pages: object[];
  };
  const folder = mkdtempSync(join(tmpdir(), 'inkwell-report-'));
  try {
    const file = join(folder, 'out.zip');
    writeFileSync(file, await (await program.get(`/api/v1/collections/${collection}/package`)).body());
    const ran = await promisify(execFile)(join(ROOT, 'bin/inkwell'), ['audit', file, '--format', 'json'], { encoding: 'utf8' }).catch(
      (error: { stdout: string }) => error,
    );
    const { pages } = JSON.parse(ran.stdout) as { pages: { findings: { weight: string; outcome: string; criteria: string[] }[] }[] };
    const findings = pages.flatMap((one) => one.findings);
    const many = (weight: string) => findings.filter((one) => one.weight === weight && one.outcome === 'failed').length;
    expect({ must: said.totals.must, should: said.totals.should, consider: said.totals.consider }).toEqual({
      must: many('must'),
      should: many('should'),
      consider: many('consider'),
    });
    expect(said.totals.questions).toBe(findings.filter((one) => one.outcome === 'cantTell').length);
    expect([said.findings.length, said.pages.length]).toEqual([findings.length, pages.length]);
    const failing = new Set(findings.filter((one) => one.outcome === 'failed').flatMap((one) => one.criteria));
    expect(said.criteria.filter(({ outcome }) => outcome === 'failed').map(({ id }) => id)).toEqual(
      said.criteria.filter(({ id }) => failing.has(id)).map(({ id }) => id),
    );
  } finally {
    rmSync(folder, { recursive: true });
  }
  for (const [format, type, begins] of [
    ['earl', 'application/ld+json', '{'],
    ['csv', 'text/csv; charset=utf-8', 'page,address'],
    ['html', 'text/html; charset=utf-8', '<!DOCTYPE html>'],
    ['pdf', 'application/pdf', '%PDF'],
    ['xlsx', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', 'PK'],
  ] as const) {
    const answer = await program.get(`${report}?format=${format}`);
    expect([format, answer.status(), answer.headers()['content-type']]).toEqual([format, 200, type]);
    expect((await answer.body()).subarray(0, begins.length).toString()).toBe(begins);
  }
  expect((await program.get(report, { headers: { accept: 'text/plain;q=0.5, text/csv' } })).headers()['content-type']).toContain(
    'text/csv',
  );
  await isProblem(await program.get(`${report}?format=docx`), 406, 'not-acceptable');
  await isProblem(await program.get(report, { headers: { accept: 'image/png' } }), 406, 'not-acceptable');
  await program.dispose();
});
