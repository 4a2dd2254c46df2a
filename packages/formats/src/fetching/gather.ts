import { createHash } from 'node:crypto';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { append, lookup, applyEdits, parsePage, relativeTo, resolveAddress } from '@inkwell/core';
import { attachmentKindOf } from '../attachments/kinds.ts';
import { absolute, leadingEdits, ledSheet, type PlaceOf } from '../documents/led.ts';
import { decodeHtml, LARGEST_PAGE, withCharset } from '../html/decode.ts';
import { encodeEdits } from '../html/encode.ts';
import type { Trouble } from '../packages/source.ts';
import { fetchAddress, NotFetched, type Fetched } from './fetcher.ts';
import { barredAddress, type HostPolicy } from './hosts.ts';
import { keyOf, Places } from './places.ts';
import { robotsOf, type Robots } from './robots.ts';
import { readSitemap } from './sitemap.ts';

/** What is to be fetched: some pages, those a sitemap names, or what can be reached from one page on its host. */
export interface Wanted {
  kind: 'addresses' | 'sitemap' | 'start';
  addresses: readonly string[];
}

export interface GatherBounds {
  pages: number;
  /** Bytes of all that is fetched. */
  bytes: number;
  seconds: number;
}

const MEGABYTE = 1_000_000;

/** From settings such as environment variables. */
export function gatherBoundsFrom(settings: Readonly<Record<string, string | undefined>>): GatherBounds {
  const number = (name: string, usual: number) => (Number(lookup(settings, name)) > 0 ? Number(lookup(settings, name)) : usual);
  return {
    pages: number('INKWELL_FETCH_PAGES', 500),
    bytes: number('INKWELL_FETCH_MB', 300) * MEGABYTE,
    seconds: number('INKWELL_FETCH_SECONDS', 900),
  };
}

export interface Gathering {
  policy: HostPolicy;
  bounds: GatherBounds;
  /** Where it may write. */
  folder: string;
  /** Told after each file; false: nobody wants it any more. */
  onProgress: (so_far: { pages: number; files: number }) => Promise<boolean>;
}

export interface Gathered {
  files: { path: string; bytes: () => Promise<Uint8Array> }[];
  troubles: Trouble[];
}

/** Largest file fetched, in bytes. */
const LARGEST_FILE = 50 * MEGABYTE;
const ONE_ANSWER_MS = 20_000;
const MOST_SITEMAPS = 50;
const MOST_TROUBLES = 1_000;

/**
 * Fetches pages with what they show, one after another, within the bounds, and as their hosts' robots.txt allows. In the texts an address
 * that leads to what was fetched is led to its file where it would not be already; one that leads elsewhere is written out whole, unless
 * nothing is there: that one stays a link that leads nowhere.
 *
 * @throws NotFetched when not one page was fetched, with the reason
 */
export async function gather(wanted: Wanted, gathering: Gathering): Promise<Gathered> {
  const round = new Round(wanted, gathering);
  await round.run();
  return round.result();
}

interface Kept {
  url: URL;
  path: string;
  file: string;
  type: 'page' | 'sheet' | 'other';
  charset: string;
}

class Round {
  private readonly places: Places;
  private readonly host: string;
  private readonly kept: Kept[] = [];
  private readonly troubles: Trouble[] = [];
  private readonly seen = new Set<string>();
  private readonly pages: URL[] = [];
  private readonly files: URL[] = [];
  /** What nobody finds there: a link to it stays as it is written, and is one that leads nowhere. */
  private readonly dead = new Set<string>();
  private readonly robots = new Map<string, Promise<Robots>>();
  private readonly signal: AbortSignal;
  private bytes = 0;
  private full = '';

  constructor(
    private readonly wanted: Wanted,
    private readonly gathering: Gathering,
  ) {
    const first = wanted.addresses.find((address) => URL.canParse(address));
    this.host = first ? new URL(first).host : '';
    this.places = new Places(this.host);
    this.signal = AbortSignal.timeout(gathering.bounds.seconds * 1_000);
  }

  async run(): Promise<void> {
    await mkdir(this.gathering.folder, { recursive: true });
    if (this.wanted.kind === 'sitemap') await this.readSitemaps();
    else for (const address of this.wanted.addresses) this.wishPage(address, true);
    await this.fetchPages();
    for (let url = this.files.shift(); url && this.goesOn(); url = this.files.shift()) await this.fetchFile(url);
  }

  private async fetchPages(): Promise<void> {
    let many = 0;
    for (let url = this.pages.shift(); url && this.goesOn(); url = this.pages.shift()) {
      if (many >= this.gathering.bounds.pages) {
        this.trouble(this.wanted.addresses[0] ?? '', `only the first ${many} pages were fetched; ${this.pages.length + 1} more were known`);
        return;
      }
      if (await this.fetchPage(url)) many++;
    }
  }

  result(): Gathered {
    if (!this.kept.some(({ type }) => type === 'page')) {
      const [first] = this.troubles;
      throw new NotFetched(first ? `${first.path} ${first.what}` : 'There was no address to fetch');
    }
    return {
      troubles: this.troubles,
      files: this.kept.map((one) => ({ path: one.path, bytes: () => this.written(one) })),
    };
  }

  private async readSitemaps(): Promise<void> {
    const waiting = [...this.wanted.addresses];
    for (let nth = 0; waiting.length > 0 && nth < MOST_SITEMAPS; nth++) {
      const got = await this.fetched(waiting.shift()!, LARGEST_FILE);
      const map = got && readSitemap(got.bytes);
      if (got && !map) this.trouble(got.url.href, 'is no sitemap');
      for (const address of map?.pages ?? []) this.wishPage(address, true);
      append(waiting, map?.sitemaps ?? []);
    }
  }

  /** Puts a page on the list. `told`: what keeps it from being fetched is worth a word. */
  private wishPage(address: string, told: boolean): void {
    const url = URL.canParse(address) ? new URL(address) : null;
    const barred = url ? barredAddress(this.gathering.policy, url) : 'is no address';
    if (!url || barred) return void (told && this.trouble(address, barred!));
    if (this.seen.has(keyOf(url))) return;
    this.seen.add(keyOf(url));
    this.pages.push(url);
  }

  private async fetchPage(url: URL): Promise<boolean> {
    const got = await this.fetched(url.href, LARGEST_PAGE);
    if (!got) return false;
    const isPage =
      /^(?:text\/html|application\/xhtml\+xml)$/.test(got.type) || (got.type === '' && /^\s*</.test(got.bytes.toString('latin1', 0, 200)));
    const fresh = await this.keep(url, got, isPage ? 'page' : 'other');
    if (!isPage || !fresh) return false;
    const page = parsePage(this.textOf(fresh, got.bytes).text);
    leadingEdits(page, got.url.href, (address, shows) => this.meet(address, shows));
    return true;
  }

  /** Something a page names: what it shows is fetched, and so is what lies on its host and is no page; pages when all are wanted. */
  private meet(address: string, shows: boolean): undefined {
    const url = URL.canParse(address) ? new URL(address) : null;
    if (!url || barredAddress(this.gathering.policy, url)) return;
    if (shows || (attachmentKindOf(url.pathname) !== null && url.host === this.host)) this.wishFile(url);
    else if (this.wanted.kind === 'start' && url.host === this.host) this.wishPage(keyOf(url), false);
  }

  private wishFile(url: URL): void {
    if (this.seen.has(keyOf(url))) return;
    this.seen.add(keyOf(url));
    this.files.push(url);
  }

  private async fetchFile(url: URL): Promise<void> {
    const got = await this.fetched(url.href, LARGEST_FILE);
    if (!got) return;
    const fresh = await this.keep(url, got, got.type === 'text/css' ? 'sheet' : 'other');
    if (fresh?.type !== 'sheet') return;
    const text = got.bytes.toString('utf8');
    ledSheet(text, got.url.href, (address) => this.meet(address, true));
    for (const [, address] of text.matchAll(/@import\s+["']([^"']+)["']/g)) this.meet(absolute(address!, got.url.href), true);
  }

  /** Fetches one address as robots.txt allows; what cannot be had is told. */
  private async fetched(address: string, most: number): Promise<Fetched | null> {
    if (!this.goesOn() || !URL.canParse(address)) return null;
    const url = new URL(address);
    const bounds = { most: Math.min(most, this.gathering.bounds.bytes - this.bytes), within: ONE_ANSWER_MS, signal: this.signal };
    try {
      const robots = await this.robotsFor(url);
      if (!robots.allows(url)) throw new NotFetched(robots.why);
      if (robots.delay > 0) await new Promise((resolve) => setTimeout(resolve, robots.delay));
      const got = await fetchAddress(this.gathering.policy, url, bounds);
      this.bytes += got.bytes.length;
      return got;
    } catch (error) {
      if (!(error instanceof NotFetched)) throw error;
      this.trouble(address, error.message);
      if (/^answers (?:404|410)$/.test(error.message)) this.dead.add(keyOf(url));
      return null;
    }
  }

  private robotsFor(url: URL): Promise<Robots> {
    const known =
      this.robots.get(url.origin) ?? robotsOf(this.gathering.policy, url, { most: 0, within: ONE_ANSWER_MS, signal: this.signal });
    this.robots.set(url.origin, known);
    return known;
  }

  /** Keeps what was fetched; null when the same had come by another address. */
  private async keep(asked: URL, { url, charset, bytes }: Fetched, kind: Kept['type']): Promise<Kept | null> {
    const { path, fresh } = this.places.put(url, kind === 'page', createHash('sha256').update(bytes).digest('hex'));
    this.places.also(asked, path);
    this.seen.add(keyOf(url));
    if (!fresh) return null;
    const kept = { url, path, file: join(this.gathering.folder, String(this.kept.length)), type: kind, charset };
    await writeFile(kept.file, bytes);
    this.kept.push(kept);
    const pages = this.kept.filter((one) => one.type === 'page').length;
    if (!(await this.gathering.onProgress({ pages, files: this.kept.length }))) this.full = 'nobody waits for it any more';
    return kept;
  }

  private goesOn(): boolean {
    if (this.full !== '') return false;
    if (this.signal.aborted) this.stop('the time for fetching ran out before all was here');
    else if (this.bytes >= this.gathering.bounds.bytes) this.stop('more was there than may be fetched at once');
    return this.full === '';
  }

  private stop(why: string): void {
    this.full = why;
    this.trouble(this.wanted.addresses[0] ?? '', why);
  }

  private trouble(path: string, what: string): void {
    if (this.troubles.length < MOST_TROUBLES) this.troubles.push({ path, what });
  }

  private textOf({ charset }: Pick<Kept, 'charset'>, bytes: Buffer) {
    const read = decodeHtml(charset === '' ? bytes : withCharset(bytes, charset));
    return read.ok ? read : { text: '', encoding: 'utf-8', bom: false };
  }

  /** The bytes of a file as it is to lie in the collection: each of its addresses leads to what was fetched, or where it led before. */
  private async written(one: Kept): Promise<Uint8Array> {
    const bytes = await readFile(one.file);
    if (one.type === 'other') return bytes;
    const placeOf = this.placesFrom(one);
    if (one.type === 'sheet') return Buffer.from(ledSheet(bytes.toString('utf8'), one.url.href, placeOf));
    const said = decodeHtml(bytes);
    const read = this.textOf(one, bytes);
    const edits = leadingEdits(parsePage(read.text), one.url.href, placeOf);
    // Where the page says its encoding itself, every byte outside the edits stays.
    const own = said.ok && said.text === read.text ? encodeEdits(bytes, said, edits) : null;
    return own?.ok ? own.bytes : Buffer.from(`\ufeff${applyEdits(read.text, edits)}`);
  }

  private placesFrom({ path: from }: Kept): PlaceOf {
    const folder = from.slice(0, from.lastIndexOf('/') + 1);
    return (address, _shows, written) => {
      const url = URL.canParse(address) ? new URL(address) : null;
      const target = url ? this.places.of(url) : undefined;
      if (url && this.dead.has(keyOf(url))) return written;
      if (!url || target === undefined || (target === from && written.startsWith('#'))) return target === from ? written : undefined;
      return resolveAddress(from, written) === target ? written : `${relativeTo(folder, target)}${url.hash}`;
    };
  }
}
