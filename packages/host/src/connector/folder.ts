import { createHash } from 'node:crypto';
import { mkdir, readdir, readFile, readlink, realpath, rename, rm, stat, writeFile } from 'node:fs/promises';
import { basename, dirname, join, relative, resolve, sep } from 'node:path';
import { readBytes } from './charset.ts';
import { HostTrouble, type Connector, type HostPage } from './types.ts';

/** Where a place of a folder has what readers are shown, and what is still a draft. */
const PUBLIC = 'public';
const DRAFTS = 'drafts';

const sumOf = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex').slice(0, 32);
const isPage = (path: string) => /\.x?html?$/i.test(path);

/**
 * A folder that another server makes public: `PLACE/drafts` has the pages and files people work on, `PLACE/public` those that are out. A
 * page's tag is the sum of its bytes.
 */
export function folderConnector(root: string): Connector {
  /** A path in the folder, when it does not lead out of it, by a link either. */
  async function within(...parts: string[]): Promise<string> {
    const path = join(root, ...parts);
    const folder = await realpath(root).catch(() => {
      throw new HostTrouble('away', 'The folder is not there.');
    });
    const from = relative(folder, await realWay(path));
    if (from === '..' || from.startsWith(`..${sep}`) || parts.some((part) => part.split(/[/\\]/).includes('..')))
      throw new HostTrouble('nonsense', `${parts.join('/')} leads out of the folder.`);
    return path;
  }

  /** Where a path really lies, every link followed: of what is not there yet, the folder that is, and the rest of the way. */
  async function realWay(path: string): Promise<string> {
    const real = await realpath(path).catch(() => null);
    if (real !== null) return real;
    // A link that leads nowhere is written through, too.
    const link = await readlink(path).catch(() => null);
    if (link !== null) return realWay(resolve(dirname(path), link));
    return path === dirname(path) ? path : join(await realWay(dirname(path)), basename(path));
  }
  const bytesAt = (path: string) => readFile(path).catch(() => null);
  const [placeOf, addressOf] = [
    (remote: string) => remote.slice(0, remote.indexOf('/')),
    (remote: string) => remote.slice(remote.indexOf('/') + 1),
  ];
  const draft = (remote: string) => within(placeOf(remote), DRAFTS, addressOf(remote));
  const published = (remote: string) => within(placeOf(remote), PUBLIC, addressOf(remote));

  async function pathsIn(place: string): Promise<string[]> {
    const folder = await within(place, DRAFTS);
    const entries = await readdir(folder, { recursive: true, withFileTypes: true }).catch(() => []);
    return entries
      .filter((entry) => entry.isFile())
      .map((entry) => relative(folder, join(entry.parentPath, entry.name)).split(sep).join('/'))
      .sort();
  }

  async function seen(remote: string, bytes: Uint8Array): Promise<HostPage> {
    const isOut = (await bytesAt(await published(remote))) !== null;
    const address = addressOf(remote);
    const title = basename(address).replace(/\.[^.]*$/, '');
    return { remote, address, title, contentType: '', tag: sumOf(bytes), publicAddress: isOut ? remote : null };
  }

  /** Written beside and moved into place: nobody reads half a page. */
  async function put(path: string, bytes: Uint8Array): Promise<void> {
    await mkdir(dirname(path), { recursive: true });
    await writeFile(`${path}.new`, bytes);
    await rename(`${path}.new`, path);
  }

  // Files may be many and long: what tells one from another is when it was written, and how long it is.
  const told = (path: string, { size, mtimeMs }: { size: number; mtimeMs: number }) => ({ path, size, tag: `${mtimeMs}-${size}` });

  return {
    async places() {
      const entries = await readdir(root, { withFileTypes: true }).catch(() => {
        throw new HostTrouble('away', 'The folder is not there.');
      });
      return entries.filter((entry) => entry.isDirectory()).map(({ name }) => ({ place: name, title: name }));
    },
    async *pages(place) {
      const found: HostPage[] = [];
      for (const path of (await pathsIn(place)).filter(isPage)) {
        const bytes = await bytesAt(await within(place, DRAFTS, path));
        if (bytes) found.push(await seen(`${place}/${path}`, bytes));
      }
      yield found;
    },
    async read(remote) {
      const bytes = await bytesAt(await draft(remote));
      return bytes && { ...(await seen(remote, bytes)), html: readBytes(bytes).text };
    },
    async push(remote, { html }, tag) {
      const path = await draft(remote);
      const now = await bytesAt(path);
      if (!now) return { ok: false, why: 'gone there' };
      if (sumOf(now) !== tag) return { ok: false, why: 'changed there' };
      const bytes = readBytes(now).encode(html);
      if (!bytes) throw new HostTrouble('nonsense', `${addressOf(remote)} is kept in an encoding that lacks a character of the new text.`);
      await put(path, bytes);
      return { ok: true, tag: sumOf(bytes) };
    },
    async publish(remote, tag, files) {
      const bytes = await bytesAt(await draft(remote));
      if (!bytes) return { ok: false, why: 'gone there' };
      if (sumOf(bytes) !== tag) return { ok: false, why: 'changed there' };
      for (const path of files) {
        const file = await bytesAt(await within(placeOf(remote), DRAFTS, path));
        if (file) await put(await within(placeOf(remote), PUBLIC, path), file);
      }
      await put(await published(remote), bytes);
      return { ok: true, tag, address: remote };
    },
    unpublish: async (remote) => rm(await published(remote), { force: true }),
    async shown(address) {
      const bytes = await bytesAt(await published(address));
      return bytes && readBytes(bytes).text;
    },
    async files(place) {
      const paths = (await pathsIn(place)).filter((path) => !isPage(path));
      return Promise.all(paths.map(async (path) => told(path, await stat(await within(place, DRAFTS, path)))));
    },
    async putFile(place, path, { bytes }, tag) {
      const at = await within(place, DRAFTS, path);
      const now = await stat(at).catch(() => null);
      if ((now && told(path, now).tag) !== tag) return { ok: false, why: 'changed there' };
      await put(at, bytes);
      return { ok: true, tag: told(path, await stat(at)).tag };
    },
    file: async (place, path) => bytesAt(await within(place, DRAFTS, path)),
  };
}
