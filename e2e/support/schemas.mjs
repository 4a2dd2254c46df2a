// Writes the schema of every request the server takes, by its name: the same that it checks them with.
import { readdirSync } from 'node:fs';

const folder = new URL('../../apps/web/server/', import.meta.url);
const schemas = {};
for (const file of readdirSync(folder).filter((name) => /[iI]nputs\.ts$/.test(name)))
  for (const [name, value] of Object.entries(await import(new URL(file, folder).href)))
    if (typeof value === 'function' && 'schema' in value) schemas[name] = value.schema;
process.stdout.write(JSON.stringify(schemas));
