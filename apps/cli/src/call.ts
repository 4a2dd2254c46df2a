import { writeFile } from 'node:fs/promises';
import { parseArgs, type ParseArgsConfig } from 'node:util';
import { PROFILES, type Profile, type Scope } from '@inkwell/core';

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

export function profileNamed(name: string | undefined): Profile {
  const profile = PROFILES[(name ?? 'wcag22-aa').toLowerCase()];
  if (!profile) throw new CallError(`there is no profile "${name}"; the profiles are ${Object.keys(PROFILES).join(', ')}`);
  return profile;
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
export async function deliver(text: string, file: string | undefined): Promise<void> {
  if (file === undefined) {
    process.stdout.write(text);
    return;
  }
  await writeFile(file, text).catch((error: NodeJS.ErrnoException) => {
    throw new CallError(`${file} could not be written (${error.code ?? error.message}); choose another place with --out`);
  });
}
