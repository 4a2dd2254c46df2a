import { openDatabase } from '@inkwell/store';
import { sql } from 'kysely';
import { bench } from './bench.ts';

/** A bench on a database of its own on the scratch server: for tests that change what holds for the whole house. */
export function ownBench(name: string): ReturnType<typeof bench> {
  const own = `inkwell_${name}_${process.pid}`;
  const shared = process.env.DATABASE_URL;

  async function onShared(statement: string): Promise<void> {
    const admin = openDatabase({ url: shared! });
    await sql.raw(statement).execute(admin);
    await admin.destroy();
  }

  beforeAll(async () => {
    if (!shared) throw new Error('These tests need a scratch database: run bin/test unit, which starts one.');
    await onShared(`create database ${own}`);
    process.env.DATABASE_URL = Object.assign(new URL(shared), { pathname: `/${own}` }).href;
  });

  // What a bench clears away comes before its database goes: these are done in the order they stand in.
  const on = bench();
  afterAll(async () => {
    process.env.DATABASE_URL = shared;
    await onShared(`drop database if exists ${own} with (force)`);
  });
  return on;
}
