import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const APP = join(import.meta.dirname, '../../apps/web/app');

/** One thing that can be asked of the server. */
export interface Act {
  /** As the tree names it: `POST /api/pages/[id]/fix`. */
  name: string;
  method: 'GET' | 'POST';
  /** The schema of what it takes; null where it takes bytes, or nothing. */
  schema: Schema | null;
}

export interface Schema {
  type?: string | readonly string[];
  const?: unknown;
  enum?: readonly unknown[];
  anyOf?: readonly Schema[];
  oneOf?: readonly Schema[];
  required?: readonly string[];
  properties?: Record<string, Schema>;
  items?: Schema;
  minItems?: number;
  minimum?: number;
  minLength?: number;
  minProperties?: number;
  pattern?: string;
}

/** Every act of every route, read from the sources themselves, with the schemas that the server checks requests with. */
export function actsOfRoutes(): Act[] {
  const schemas = JSON.parse(
    execFileSync(process.execPath, ['--conditions=react-server', '--import', 'tsx', join(import.meta.dirname, 'schemas.mjs')], {
      encoding: 'utf8',
      env: { ...process.env, TSX_TSCONFIG_PATH: join(APP, '../tsconfig.json') },
    }),
  ) as Record<string, Schema>;
  const files = readdirSync(APP, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('route.ts'));
  return files.flatMap((file) => {
    const source = readFileSync(join(APP, file), 'utf8');
    const address = `/${file.split('/').slice(0, -1).join('/')}`;
    const methods = [...source.matchAll(/export (?:async )?function (GET|POST)/g)].map(([, method]) => method as Act['method']);
    return methods.flatMap((method) => {
      if (method === 'GET' || !address.endsWith('[act]')) {
        const taken = method === 'POST' ? /(?:answer|open)\(\s*request,\s*([A-Z_]+)/.exec(source)?.[1] : undefined;
        return [{ name: `${method} ${address}`, method, schema: taken === undefined ? null : schemas[taken]! }];
      }
      return actsIn(source).map(({ act, taken }) => ({
        name: `${method} ${address.replace('[act]', act)}`,
        method,
        schema: schemas[taken] ?? null,
      }));
    });
  });
}

/** The acts of a route that has several, each with the name of what checks it. */
function actsIn(source: string): { act: string; taken: string }[] {
  const cases =
    /(?:case |act === |^ {2})'?([a-z][a-z-]*)'?(?::|\))\s*(?:return )?(?:\(request[^)]*\) =>\s*)?\w+\(\s*(?:request,\s*)?([A-Z][A-Z_]+)/gm;
  return [...source.matchAll(cases)].map(([, act, taken]) => ({ act: act!, taken: taken! }));
}

/** The smallest thing a schema takes; `known`: what is put where a name says what it is. */
export function smallest(schema: Schema, known: Readonly<Record<string, unknown>>, name = ''): unknown {
  const types: readonly unknown[] = [schema.type].flat();
  if (name in known && fits(schema, known[name])) return known[name];
  if ('const' in schema) return schema.const;
  if (schema.enum) return schema.enum[0];
  const choice = schema.anyOf ?? schema.oneOf;
  if (choice) return smallest(choice[0]!, known, name);
  if (types.includes('null')) return null;
  if (types.includes('object')) return smallestObject(schema, known);
  if (types.includes('array')) return Array.from({ length: schema.minItems ?? 0 }, () => smallest(schema.items ?? {}, known, name));
  if (types.includes('integer') || types.includes('number')) return schema.minimum ?? 0;
  return types.includes('boolean') ? false : 'x'.repeat(Math.max(1, schema.minLength ?? 1));
}

function smallestObject({ required, properties, minProperties = 0 }: Schema, known: Readonly<Record<string, unknown>>): object {
  const names = required ?? Object.keys(properties ?? {}).slice(0, minProperties);
  return Object.fromEntries(names.map((one) => [one, smallest(properties?.[one] ?? {}, known, one)]));
}

function fits({ type, enum: some, anyOf, oneOf, items }: Schema, value: unknown): boolean {
  if (some) return some.includes(value);
  const choice = anyOf ?? oneOf;
  if (choice) return choice.some((one) => fits(one, value));
  const kind = value === null ? 'null' : Array.isArray(value) ? 'array' : Number.isInteger(value) ? 'integer' : typeof value;
  if (Array.isArray(value) && items && !value.every((one) => fits(items, one))) return false;
  return [type].flat().includes(kind);
}
