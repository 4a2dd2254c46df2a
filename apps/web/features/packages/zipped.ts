import { Zip, ZipPassThrough } from 'fflate';

export interface Chosen {
  /** Its place in what is sent. */
  path: string;
  file: File;
}

/** Several files as one package, made in the browser, file after file, nothing packed: the server packs nothing twice. */
export async function zipped(files: readonly Chosen[]): Promise<Blob> {
  const parts: BlobPart[] = [];
  let failure: Error | null = null;
  const zip = new Zip((error, part) => {
    if (error) failure = error;
    else parts.push(part as BlobPart);
  });
  for (const { path, file } of files) {
    const entry = new ZipPassThrough(path);
    entry.mtime = Math.max(file.lastModified, EARLIEST);
    zip.add(entry);
    entry.push(new Uint8Array(await file.arrayBuffer()), true);
    if (failure) throw failure as Error;
  }
  zip.end();
  return new Blob(parts, { type: 'application/zip' });
}

/** A zip knows no time before this day. */
const EARLIEST = Date.UTC(1980, 0, 2);

/** What was chosen or dropped, as one thing to send: a package as it is, other files together, under the name of their folder. */
export async function asPackage(chosen: readonly Chosen[]): Promise<{ name: string; body: Blob } | null> {
  const [only] = chosen;
  if (!only) return null;
  if (chosen.length === 1 && /\.(?:zip|imscc|epub|docx|mht|mhtml)$/i.test(only.file.name)) return { name: only.file.name, body: only.file };
  const folder = only.path.includes('/') ? only.path.split('/')[0]! : 'pages';
  return { name: `${folder}.zip`, body: await zipped(chosen) };
}

/** Files of an input, which knows their folder when one was chosen. */
export function chosenIn(list: FileList | null): Chosen[] {
  return [...(list ?? [])].map((file) => ({ path: file.webkitRelativePath || file.name, file }));
}

/** Files and folders that were dropped, however deep. */
export async function droppedIn(data: DataTransfer): Promise<Chosen[]> {
  const entries = [...data.items].flatMap((item) => item.webkitGetAsEntry() ?? []);
  const found: Chosen[] = [];
  for (let entry = entries.shift(); entry; entry = entries.shift()) {
    if (entry.isFile) {
      const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject));
      found.push({ path: entry.fullPath.replace(/^\//, ''), file });
    } else entries.push(...(await everyEntry((entry as FileSystemDirectoryEntry).createReader())));
  }
  return found;
}

/** A folder is told a hundred entries at a time. */
async function everyEntry(reader: FileSystemDirectoryReader): Promise<FileSystemEntry[]> {
  const all: FileSystemEntry[] = [];
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (some.length === 0) return all;
    all.push(...some);
  }
}
