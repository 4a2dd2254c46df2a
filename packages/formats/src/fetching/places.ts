/** Where fetched files lie in the collection that is made of them: as on their host, as nearly as a file can. */
export class Places {
  private readonly byUrl = new Map<string, string>();
  /** By path in lower case: some systems know no other. */
  private readonly taken = new Map<string, { path: string; hash: string }>();

  /** `host`: the one whose files lie at the top; those of others lie in a folder of their name. */
  constructor(private readonly host: string) {}

  /**
   * The path of something that came from an address, page or not. The same address has the same path, and so have the same bytes that two
   * addresses would lay in one place: a folder and the page in it.
   */
  put(url: URL, isPage: boolean, hash: string): { path: string; fresh: boolean } {
    const known = this.of(url);
    if (known !== undefined) return { path: known, fresh: false };
    const wished = `${url.host === this.host ? '' : `${url.host.replace(/[^\w.-]/g, '-')}/`}${pathOf(url, isPage)}`;
    const [name, ending] = partsOf(wished);
    let path = wished;
    for (let nth = 2; this.taken.has(path.toLowerCase()); nth++) {
      const there = this.taken.get(path.toLowerCase())!;
      if (there.path === wished && there.hash === hash) {
        this.also(url, path);
        return { path, fresh: false };
      }
      path = `${name}-${nth}${ending}`;
    }
    this.taken.set(path.toLowerCase(), { path, hash });
    this.also(url, path);
    return { path, fresh: true };
  }

  /** Lets an address that led to another one stand for the same path. */
  also(url: URL, path: string): void {
    this.byUrl.set(keyOf(url), path);
  }

  of(url: URL): string | undefined {
    return this.byUrl.get(keyOf(url));
  }
}

/** An address without the place within. */
export function keyOf(url: URL): string {
  return url.href.split('#')[0]!;
}

const PAGE_ENDING = /\.x?html?$|\.xht$/i;

function pathOf(url: URL, isPage: boolean): string {
  let path = url.pathname.slice(1);
  try {
    path = decodeURIComponent(path);
  } catch {
    // A name that is no UTF-8 stays as it is written.
  }
  // eslint-disable-next-line no-control-regex -- exactly those
  path = path.replace(/[\\\u0000-\u001f:*?"<>|]/g, '-').replace(/\/{2,}/g, '/');
  if (path === '' || path.endsWith('/')) path += isPage ? 'index.html' : 'index';
  const query = url.search
    .slice(1, 60)
    .replace(/[^\w.-]+/g, '-')
    .replace(/^-+|-+$/g, '');
  const [name, ending] = partsOf(path);
  const own = isPage && !PAGE_ENDING.test(path) ? `${path}${query && `-${query}`}.html` : `${name}${query && `-${query}`}${ending}`;
  return own
    .split('/')
    .map((step) => (step === '..' || step === '.' ? '-' : step))
    .join('/');
}

/** A path without its ending, and the ending with its dot. */
function partsOf(path: string): [string, string] {
  const dot = path.lastIndexOf('.');
  return dot > path.lastIndexOf('/') + 1 ? [path.slice(0, dot), path.slice(dot)] : [path, ''];
}
