import type { Selectable } from 'kysely';
import type { Database } from '../database.ts';
import type { People } from '../schema.ts';

export type Person = Selectable<People>;

export function people(db: Database): Promise<Person[]> {
  return db.selectFrom('people').selectAll().orderBy('name').execute();
}

export function personById(db: Database, id: string): Promise<Person | undefined> {
  return db.selectFrom('people').selectAll().where('id', '=', id).executeTakeFirst();
}
