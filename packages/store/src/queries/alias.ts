import { sql, type RawBuilder } from 'kysely';
import { FILE_BASE_FOLDER } from '@inkwell/core';

/** The folder by which the pages of a course call its files, wherever those lie. */
export const BASE = `${FILE_BASE_FOLDER}/`;

/** In a course each file also lies in the folder its pages call it by: whether a path is only that. */
export function isAlias(collection: RawBuilder<unknown>, path: RawBuilder<unknown>): RawBuilder<unknown> {
  return sql`(starts_with(${path}, ${BASE}) and exists (select 1 from assets own where own.collection_id = ${collection}
    and own.path = ${ownPath(path)}))`;
}

/** Such a path without that folder. */
export const ownPath = (path: RawBuilder<unknown>) => sql`substr(${path}, ${BASE.length + 1}::integer)`;
