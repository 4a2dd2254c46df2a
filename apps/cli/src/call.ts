import { once } from 'node:events';
import { open, readFile, writeFile } from 'node:fs/promises';
import { parseArgs, type ParseArgsConfig } from 'node:util';
import { lookup, PROFILES, type Profile, type Scope, type Vocabulary } from '@inkwell/core';
import { readProfile } from '@inkwell/formats';

/** The call or an input was wrong: one line that says what, where and what to do. */
export class CallError extends Error {}

/** Options and paths of a call; an unknown option is named. */
export function readCall<const T extends NonNullable<ParseArgsConfig['options']>>(args: string[], options: T) {
  try {
    return parseArgs({ args, options, allowPositionals: true, strict: true });
  } catch (error) {
    throw new CallError(`${(error as Error).message.split('. ')[0]!.replace(/^Unknown option/, 'unknown option')}; see inkwell --help`);
  }
}

/** A built-in profile by its name, or one from a file that the application exported. */
export async function profileFrom(name: string | undefined): Promise<{ profile: Profile; vocabulary: Vocabulary }> {
  const profile = lookup(PROFILES, (name ?? 'wcag22-aa').toLowerCase());
  if (profile) return { profile, vocabulary: {} };
  const text = await readFile(name!, 'utf8').catch(() => {
    throw new CallError(`there is no profile "${name}"; name a profile file, or one of ${Object.keys(PROFILES).join(', ')}`);
  });
  const read = readProfile(text);
  if (!read.ok) throw new CallError(`the profile ${name} ${read.reason}`);
  return { profile: read.profile, vocabulary: read.vocabulary };
}

/** The texts of style sheets named by --css. */
export function sheetsFrom(files: readonly string[] = []): Promise<string[]> {
  return Promise.all(
    files.map((file) =>
      readFile(file, 'utf8').catch((error: NodeJS.ErrnoException) => {
        throw new CallError(`the style sheet ${file} cannot be read (${error.code ?? error.message})`);
      }),
    ),
  );
}

export function scopeNamed(name: string | undefined): Scope | undefined {
  if (name === undefined || name === 'document' || name === 'fragment') return name;
  throw new CallError(`--scope is document or fragment, not "${name}"`);
}

export function oneOf<T extends string>(option: string, value: string | undefined, allowed: readonly T[]): T {
  const found = allowed.find((one) => one === (value ?? allowed[0]));
  if (!found) throw new CallError(`${option} is ${allowed.join(' or ')}, not "${value}"`);
  return found;
}

/** To the file that was asked for, else to standard output. */
export async function deliver(text: string | Uint8Array, file: string | undefined): Promise<void> {
  if (file === undefined) {
    process.stdout.write(text);
    return;
  }
  await writeFile(file, text).catch((error: NodeJS.ErrnoException) => {
    throw new CallError(`${file} could not be written (${error.code ?? error.message}); choose another place with --out`);
  });
}

/** The same for a text that comes in parts: each is written before the next is asked for. Whoever stops reading ends it. */
export async function deliverParts(parts: AsyncIterable<string>, file: string | undefined): Promise<void> {
  if (file === undefined) {
    for await (const part of parts) if (!process.stdout.write(part)) await once(process.stdout, 'drain');
    return;
  }
  const out = await open(file, 'w').catch((error: NodeJS.ErrnoException) => {
    throw new CallError(`${file} could not be written (${error.code ?? error.message}); choose another place with --out`);
  });
  try {
    for await (const part of parts) await out.write(part);
  } finally {
    await out.close();
  }
}
