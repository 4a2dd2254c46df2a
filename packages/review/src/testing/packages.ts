import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'kysely';
import { dropCollection } from '@inkwell/store';
import { writeZip, type Packed } from '../../../formats/src/testing/zips.ts';
import {
  acceptIntoShelf,
  desk,
  examineArrivals,
  readPackage,
  receivePackage,
  sendOut,
  showPackage,
  unpackPackage,
  type Desk,
  type PackageView,
} from '../index.ts';
import { INES, RUTH, type bench } from './bench.ts';

/** Packages sent, brought in and out as a person and a worker would, on a test file's own bench. What they became goes after each test. */
export function packageBench({ services, db }: ReturnType<typeof bench>) {
  const folder = mkdtempSync(join(tmpdir(), 'inkwell-review-'));
  const made = new Set<number>();
  afterAll(() => rmSync(folder, { recursive: true }));
  afterEach(async () => {
    for (const id of made) await dropCollection(db(), id);
    made.clear();
  });

  async function sent(name: string, entries: readonly Packed[], newerOf?: string): Promise<number> {
    const file = join(folder, name);
    await writeZip(file, entries, 'Larkmoor');
    const received = await receivePackage(services, INES, { name, file, newerOf });
    if (!received.ok) throw new Error(received.problem.what);
    return received.value;
  }

  async function shown(id: number): Promise<PackageView> {
    const view = await showPackage(services, INES, { id, after: 0 });
    if (!view.ok) throw new Error(view.problem.what);
    return view.value;
  }

  /** The jobs that wait for a package's pages, as a worker would take them. */
  async function arrivals(id: number): Promise<number[][]> {
    const { rows } = await sql<{ pages: number[] }>`select payload -> 'pages' as pages from jobs where kind = 'examine arrived pages'
      and (payload ->> 'package')::integer = ${id} order by id`.execute(db());
    return rows.map(({ pages }) => pages);
  }

  /** A package that was read, all the way to the shelf; the address of its collection. */
  async function accepted(id: number, types: Record<string, string> = {}): Promise<string> {
    await acceptIntoShelf(services, INES, { id, title: '', types });
    await unpackPackage(services, { id, by: INES.id, last: false });
    for (const pages of await arrivals(id)) await examineArrivals(services, { package: id, pages, by: INES.id, last: false });
    const row = await db().selectFrom('packages').select('collection_id').where('id', '=', id).executeTakeFirstOrThrow();
    made.add(row.collection_id!);
    return (await shown(id)).collection!;
  }

  async function arrived(id: number, types: Record<string, string> = {}): Promise<string> {
    await readPackage(services, { id, last: false });
    return accepted(id, types);
  }

  async function out(collection: string): Promise<{ name: string; bytes: Buffer }> {
    const written = await sendOut(services, RUTH, { collection, folder });
    if (!written.ok) throw new Error(written.problem.what);
    const { name, file } = written.value;
    return { name, bytes: readFileSync(file) };
  }

  async function deskOn(collection: string, page: string): Promise<Desk> {
    const view = await desk(services, INES, { collection, page });
    if (!view.ok) throw new Error(view.problem.what);
    return view.value;
  }

  return { folder, made, sent, shown, arrivals, accepted, arrived, out, deskOn };
}

/** A page of the canal's site. */
export const document = (title: string, body: string) =>
  `<html lang="en"><head><title>${title}</title></head><body><main><h1>${title}</h1><p>The cut is open.</p>${body}</main></body></html>`;
