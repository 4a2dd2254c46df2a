import { resolveAddress } from '@inkwell/core';
import { childOf, childrenOf, firstBelow, readXmlTree, walk, wordsOf, type XmlElement } from './xmlTree.ts';

/** What a manifest or a package document says of a collection. */
export interface Contents {
  /** Where a table of contents or a manifest leads to: paths with the id or name there. */
  led: { path: string; anchor: string }[];
  title: string;
  /** Paths of the files that are or hold pages, in reading order. */
  order: string[];
  /** Titles by path. */
  titles: ReadonlyMap<string, string>;
  /** By path the parts of the whole that a page lies in, the outermost first. */
  parts: ReadonlyMap<string, readonly string[]>;
  /** Paths of all files it names. */
  named: ReadonlySet<string>;
}

interface Resource {
  paths: string[];
  /** Whether `paths` begins with the one that is opened. */
  opened: boolean;
}

const MANIFEST = 'imsmanifest.xml';

export function isManifest(path: string): boolean {
  return path === MANIFEST || path.endsWith(`/${MANIFEST}`);
}

/**
 * Reads the manifest of a course: IMS Common Cartridge 1.0 to 1.3 and Content Packaging 1.1, so SCORM's too (both by the structure their
 * schemas share: organizations/organization/item, resources/resource/file). Organisation first, then what else is named, by path.
 *
 * @param at path of the manifest in the package
 */
export function readManifest(xml: string, at: string): { ok: true; contents: Contents } | { ok: false; reason: string } {
  const read = readXmlTree(xml);
  if (!read.ok) return read;
  const manifest = read.root;
  const resources = resourcesOf(manifest, at);
  const organisations = childOf(manifest, 'organizations');
  const organisation =
    childrenOf(organisations, 'organization').find((one) => one.attributes.identifier === organisations?.attributes.default) ??
    childOf(organisations, 'organization');
  const titles = new Map<string, string>();
  const parts = new Map<string, readonly string[]>();
  const order = new Set<string>();
  for (const { item, part, resource } of itemsOf(organisation, resources)) {
    const title = wordsOf(childOf(item, 'title'));
    for (const path of resource.opened ? resource.paths.slice(0, 1) : resource.paths) {
      if (!titles.has(path) && title) titles.set(path, title);
      if (!parts.has(path)) parts.set(path, part);
      order.add(path);
    }
  }
  const named = new Set([...resources.values()].flatMap((resource) => resource.paths));
  for (const path of [...named].sort()) order.add(path);
  const general = firstBelow(childOf(manifest, 'metadata'), 'general');
  const title = wordsOf(childOf(general, 'title')) || wordsOf(childOf(organisation, 'title'));
  return { ok: true, contents: { led: [], title, order: [...order], titles, parts, named } };
}

function resourcesOf(manifest: XmlElement, at: string): Map<string, Resource> {
  const all = childOf(manifest, 'resources');
  const base = `${manifest.attributes['xml:base'] ?? ''}${all?.attributes['xml:base'] ?? ''}`;
  const resources = new Map<string, Resource>();
  for (const one of childrenOf(all, 'resource')) {
    const own = `${base}${one.attributes['xml:base'] ?? ''}`;
    const path = (href: string | undefined) =>
      href === undefined ? null : resolveAddress(at, `${own}${href.trim().replaceAll('\\', '/')}`);
    const opened = path(one.attributes.href);
    const files = childrenOf(one, 'file').map((file) => path(file.attributes.href));
    resources.set(one.attributes.identifier ?? '', {
      paths: [...new Set([opened, ...files].filter((found) => found !== null))],
      opened: opened !== null,
    });
  }
  return resources;
}

/** The organisation's items that open something, however deep, in reading order, with the titles of the items around each. */
function itemsOf(
  organisation: XmlElement | undefined,
  resources: ReadonlyMap<string, Resource>,
): { item: XmlElement; part: readonly string[]; resource: Resource }[] {
  const parts = new Map<XmlElement, readonly string[]>();
  const inner = (item: XmlElement) => {
    const [own, title, items] = [parts.get(item) ?? [], wordsOf(childOf(item, 'title')), childrenOf(item, 'item')];
    for (const one of items) parts.set(one, title ? [...own, title] : own);
    return items;
  };
  return [...walk(childrenOf(organisation, 'item'), inner)].flatMap((item) => {
    const resource = resources.get(item.attributes.identifierref ?? '\u0000');
    return resource ? [{ item, part: parts.get(item) ?? [], resource }] : [];
  });
}
