import { readdir, readFile, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { decodeHtml, LARGEST_PAGE, type DecodeFailure, type Decoded } from '@inkwell/formats';
import { CallError } from './call.ts';
import { addressIn } from './surroundings.ts';

export interface PageFile {
  /** As it is reported: relative to the folder that was named. */
  path: string;
  /** Where it is read from; null for standard input. */
  file: string | null;
  /** The folder it was found in, when one was named: its pages know of one another. */
  folder: Folder | null;
}

export interface Folder {
  root: string;
  /** Paths of all its files, relative to it. */
  files: readonly string[];
}

const PAGE_NAME = /\.x?html?$/i;

/** The pages behind the paths of a call, folders searched in name order. */
export async function pagesBehind(paths: readonly string[]): Promise<PageFile[]> {
  const found: PageFile[] = [];
  for (const path of paths) {
    if (path === '-') found.push({ path: '-', file: null, folder: null });
    else if (await isFolder(path)) found.push(...(await pagesIn(path)));
    else found.push({ path, file: path, folder: null });
  }
  return found;
}

/** One page by its path; a folder is refused. */
export async function pageAt(path: string): Promise<PageFile> {
  if (path !== '-' && (await isFolder(path))) throw new CallError(`${path} is a folder; name one HTML file in it`);
  return { path, file: path === '-' ? null : path, folder: null };
}

export async function isFolder(path: string): Promise<boolean> {
  const about = await stat(path).catch((error: NodeJS.ErrnoException) => {
    throw new CallError(
      `${path} ${error.code === 'ENOENT' ? 'does not exist' : `cannot be read (${error.code})`}; name an HTML file or a folder`,
    );
  });
  return about.isDirectory();
}

async function pagesIn(folder: string): Promise<PageFile[]> {
  const entries = await readdir(folder, { recursive: true, withFileTypes: true });
  const all = entries.filter((entry) => entry.isFile()).map((entry) => join(entry.parentPath, entry.name));
  const linked = await Promise.all(
    entries.filter((entry) => entry.isSymbolicLink()).map((entry) => linkAddress(folder, join(entry.parentPath, entry.name))),
  );
  const files = all.filter((file) => PAGE_NAME.test(file));
  const known: Folder = { root: folder, files: [...all.map((file) => addressIn(folder, file)), ...linked.filter((one) => one !== null)] };
  if (files.length === 0) throw new CallError(`${folder} holds no HTML pages; name a folder with .html files in it`);
  return files.map((file) => ({ file, path: addressIn(folder, file), folder: known })).sort((a, b) => (a.path < b.path ? -1 : 1));
}

/**
 * A link to a file or folder elsewhere is there for whoever follows an address to it, and is not followed here; a folder ends in a slash.
 */
async function linkAddress(folder: string, file: string): Promise<string | null> {
  const about = await stat(file).catch(() => null);
  return about && `${addressIn(folder, file)}${about.isDirectory() ? '/' : ''}`;
}

const FAILURES: Record<DecodeFailure, string> = {
  empty: 'is empty; there is nothing to examine',
  'too-large': `is larger than ${LARGEST_PAGE / 1024 / 1024} MB; split it`,
  'not-html': 'is no page of text; name an HTML file',
};

/** A page's decoded text; a CallError that names it when it cannot be had. */
export async function readPage(page: PageFile): Promise<string> {
  return (await readBytes(page)).read.text;
}

/** The same, with the bytes it was read from. */
export async function readBytes({ path, file }: PageFile): Promise<{ bytes: Uint8Array; read: Decoded }> {
  const bytes =
    file === null
      ? await standardInput()
      : await readFile(file).catch((error: NodeJS.ErrnoException) => {
          throw new CallError(`${path} cannot be read (${error.code ?? error.message})`);
        });
  const read = decodeHtml(bytes);
  if (!read.ok) throw new CallError(`${path} ${FAILURES[read.reason]}`);
  return { bytes, read };
}

async function standardInput(): Promise<Uint8Array> {
  const parts: Buffer[] = [];
  for await (const part of process.stdin) parts.push(part as Buffer);
  return Buffer.concat(parts);
}
