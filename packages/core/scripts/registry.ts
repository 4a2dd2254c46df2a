/** Writes src/rules/registry.ts and src/remedies/registry.ts from what the folders hold; with --check only compares. */
import { readdirSync, readFileSync, writeFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..', 'src');
const HEAD = '// Made by `npm run registry` from the folders beside it. Do not edit.\n';

function camel(name: string): string {
  return name.replace(/[-/](\w)/g, (_all, letter: string) => letter.toUpperCase());
}

function rules(): string {
  const at = join(root, 'rules');
  const families = readdirSync(at)
    .filter((name) => statSync(join(at, name)).isDirectory())
    .sort();
  const ids = families.flatMap((family) =>
    readdirSync(join(at, family))
      .sort()
      .map((rule) => `${family}/${rule}`),
  );
  const imports = ids.map((id) => `import { rule as ${camel(id)} } from './${id}/index.ts';`).join('\n');
  return `${HEAD}import type { Rule } from './types.ts';\n${imports}\n\n/** Every rule, by id. */\nexport const RULES: readonly Rule[] = [\n${ids.map((id) => `  ${camel(id)},`).join('\n')}\n];\n`;
}

function remedies(): string {
  const at = join(root, 'remedies');
  const names = readdirSync(at)
    .filter((file) => /^[a-z-]+\.remedy\.ts$/.test(file))
    .map((file) => file.replace('.remedy.ts', ''))
    .sort();
  const imports = names.map((name) => `import { remedy as ${camel(name)} } from './${name}.remedy.ts';`).join('\n');
  return `${HEAD}import type { Remedy } from './types.ts';\nimport type { RemedyName } from './names.ts';\n${imports}\n\n/** Every remedy, by name. */\nexport const REMEDIES: Readonly<Record<RemedyName, Remedy>> = {\n${names.map((name) => `  ${name.includes('-') ? `'${name}'` : name}: ${camel(name)},`).join('\n')}\n};\n`;
}

let stale = false;
for (const [file, text] of [
  ['rules/registry.ts', rules()],
  ['remedies/registry.ts', remedies()],
] as const) {
  const path = join(root, file);
  if (!process.argv.includes('--check')) writeFileSync(path, text);
  else if (readFileSync(path, 'utf8') !== text) {
    stale = true;
    console.error(`${file} does not match its folders: run npm run registry`);
  }
}
process.exitCode = stale ? 1 : 0;
