/** Writes src/standards/languageSubtags.ts from IANA's registry, as the package language-subtag-registry carries it. */
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

interface Entry {
  Type: string;
  Subtag?: string;
  Tag?: string;
}

const registry = JSON.parse(
  readFileSync(createRequire(import.meta.url).resolve('language-subtag-registry/data/json/registry.json'), 'utf8'),
) as Entry[];
const of = (type: string) =>
  registry
    .filter((entry) => entry.Type === type && entry.Subtag && !entry.Subtag.includes('..'))
    .map((entry) => entry.Subtag!.toLowerCase())
    .sort();
const tags = registry
  .filter((entry) => entry.Type === 'grandfathered')
  .map((entry) => entry.Tag!.toLowerCase())
  .sort();

const text = (name: string, values: readonly string[]) => `export const ${name} = '${values.join(' ')}';\n`;
writeFileSync(
  join(dirname(fileURLToPath(import.meta.url)), '../src/standards/languageSubtags.ts'),
  `// Made by \`npx tsx packages/core/scripts/languages.ts\` from IANA's Language Subtag Registry. Do not edit.
${text('LANGUAGES', of('language'))}${text('EXTENDED', of('extlang'))}${text('SCRIPTS', of('script'))}${text('REGIONS', of('region'))}${text('VARIANTS', of('variant'))}${text('WHOLE_TAGS', tags)}`,
);
