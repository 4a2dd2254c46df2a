import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';
import type { MimeNode } from '@zone-eu/mailsplit';
import { lookup, parsePage, tidy, titleText } from '@inkwell/core';
import { decodeHtml, withCharset } from '../html/decode.ts';
import { absolute, ledPage, ledSheet } from './led.ts';
import { pageNameOf, UnreadableDocument, type Converted } from './converted.ts';

/** Whether a file's first bytes are those of a page that a browser saved with all it shows (RFC 2557). */
export function isMhtml(head: Uint8Array): boolean {
  const text = Buffer.from(head).toString('latin1');
  return /^[\w-]+:[^\n]*\r?\n/.test(text) && /^content-type:\s*multipart\/related\b/im.test(text) && /^mime-version:/im.test(text);
}

interface Part {
  type: string;
  charset: string;
  /** Where it came from. */
  location: string;
  id: string;
  bytes: Buffer;
}

/**
 * A page saved from a browser as one file: its page, and beside it the files it shows, each address in it led to its file. What lies behind
 * links stays where it is.
 *
 * @throws UnreadableDocument
 */
export async function convertMhtml(bytes: Buffer, fileName: string): Promise<Converted> {
  const parts = await partsOf(bytes);
  const root = parts.find(({ type }) => type === 'text/html');
  if (!root) throw new UnreadableDocument('It holds no page.');
  const read = decodeHtml(withCharset(root.bytes, root.charset));
  if (!read.ok) throw new UnreadableDocument('The page in it cannot be read as text.');
  const name = pageNameOf(fileName);
  const places = placesFor(
    parts.filter((part) => part !== root),
    name,
    root.location,
  );
  const html = ledPage(read.text, root.location, (address, shows) => (shows ? places.get(address)?.path : undefined));
  const page = { path: name, bytes: Buffer.from(html) };
  const files = [...places.values()].map(({ path, part }) => ({
    path,
    bytes: part.type === 'text/css' ? Buffer.from(sheetOf(part, places)) : part.bytes,
  }));
  return { title: titleText(parsePage(html)), files: [page, ...unique(files)], troubles: [] };
}

async function partsOf(bytes: Buffer): Promise<Part[]> {
  const parts: Part[] = [];
  let [node, raw]: [MimeNode | null, Buffer[]] = [null, []];
  const close = async () => {
    if (node && !node.multipart) parts.push(await partOf(node, Buffer.concat(raw)));
    [node, raw] = [null, []];
  };
  // Only who has one to read waits for its reader.
  const { Splitter } = await import('@zone-eu/mailsplit');
  try {
    for await (const data of Readable.from([bytes]).pipe(new Splitter({ ignoreEmbedded: true }))) {
      const item = data as { type: string; value?: Buffer } & MimeNode;
      if (item.type === 'node') {
        await close();
        node = item;
      } else if (item.type === 'body') raw.push(item.value!);
    }
  } catch (error) {
    throw new UnreadableDocument(`It cannot be taken apart: ${error instanceof Error ? error.message : String(error)}.`);
  }
  await close();
  return parts;
}

async function partOf(node: MimeNode, raw: Buffer): Promise<Part> {
  const decoded: Buffer[] = [];
  // Binary parts come as they are; the decoder of the others takes their line ends too.
  if (node.encoding === 'binary') decoded.push(raw);
  else {
    const decoder = node.getDecoder();
    decoder.end(raw);
    for await (const piece of decoder) decoded.push(piece as Buffer);
  }
  const header = (name: string) => (node.headers ? tidy(node.headers.getFirst(name)) : '');
  return {
    type: (node.contentType || 'application/octet-stream').toLowerCase(),
    charset: node.charset || '',
    location: header('content-location'),
    id: header('content-id').replace(/^<|>$/g, ''),
    bytes: Buffer.concat(decoded),
  };
}

interface Placed {
  path: string;
  part: Part;
}

const ENDINGS: Readonly<Record<string, string | undefined>> = {
  'text/css': 'css',
  'text/html': 'html',
  'image/jpeg': 'jpg',
  'image/svg+xml': 'svg',
  'text/javascript': 'js',
};

/** Where each file is to lie, by the addresses it is called by. A name is kept where it is a plain one. */
function placesFor(parts: readonly Part[], page: string, from: string): Map<string, Placed> {
  const places = new Map<string, Placed>();
  const taken = new Set<string>();
  for (const part of parts) {
    const ending = lookup(ENDINGS, part.type) ?? /^[a-z]+\/([a-z0-9]+)$/.exec(part.type)?.[1] ?? 'bin';
    const own = plainName(part.location);
    const plain = own.toLowerCase().endsWith(`.${ending}`) ? own : `${own.replace(/\..*$/, '') || 'file'}.${ending}`;
    const mark = createHash('sha256').update(part.bytes).digest('hex').slice(0, 8);
    const path = `${page.replace(/\.html$/, '')}-files/${taken.has(plain) ? `${mark}-${plain}` : plain}`;
    taken.add(plain);
    if (part.location) places.set(absolute(part.location, from), { path, part });
    if (part.id) places.set(`cid:${part.id}`, { path, part });
  }
  return places;
}

/** The last step of an address in plain signs; of an address that is an id the id. */
function plainName(location: string): string {
  const last = location.replace(/[?#].*$|^cid:|@.*$/g, '').replace(/^.*\//, '');
  try {
    return decodeURIComponent(last).replace(/[^\w.-]+/g, '-');
  } catch {
    return last.replace(/[^\w.-]+/g, '-');
  }
}

function unique(files: readonly { path: string; bytes: Uint8Array }[]): typeof files {
  return [...new Map(files.map((file) => [file.path, file])).values()];
}

/** A style sheet as text; it lies in the folder of what it shows. */
function sheetOf({ bytes, location, charset }: Part, places: ReadonlyMap<string, Placed>): string {
  const text = new TextDecoder(charset === '' ? 'utf-8' : charset).decode(bytes);
  return ledSheet(text, location, (address) => places.get(address)?.path.replace(/^.*\//, ''));
}
