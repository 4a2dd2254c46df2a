import { encodedPath as encoded, FILE_BASE_FOLDER, relativeTo as relative, resolveAddress } from '../document/addresses.ts';
import { rawText, tidy, type Attribute } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import { candidatesIn } from '../semantics/images.ts';
import { applyEdits, type Edit } from '../source/edits.ts';
import { escapeValue } from './markup.ts';

/** New paths of files by the ones they had. */
export type Renames = ReadonlyMap<string, string>;

/**
 * A reference as it is to be written once files have new names: as relative, with the same query and fragment. Null when it stays.
 *
 * @param from path of the file that holds the reference, which may be one that moves
 */
export function renamedReference(written: string, from: string, renames: Renames): string | null {
  const address = tidy(written);
  const path = resolveAddress(from, address);
  if (path === null) return null;
  const [file, target] = [from.split('#')[0]!, renames.get(path) ?? path];
  const [was, home] = [folderOf(file), folderOf(renames.get(file) ?? file)];
  const [, way = '', rest = ''] = /^([^?#]*)(.*)$/s.exec(address)!;
  const base = /^(?:\$|%24)IMS-CC-FILEBASE(?:\$|%24)/.exec(way)?.[0];
  const fromRoot = way.startsWith('/') || base !== undefined;
  if (target === path && (fromRoot || was === home)) return null;
  if (folderOf(path) === folderOf(target) && (fromRoot || was === home))
    return way.slice(0, way.lastIndexOf('/') + 1) + encoded(target.slice(folderOf(target).length)) + rest;
  if (base) return `${base}/${relative(`${FILE_BASE_FOLDER}/`, target)}${rest}`;
  return (fromRoot ? `/${encoded(target)}` : relative(home, target)) + rest;
}

const folderOf = (path: string) => path.slice(0, path.lastIndexOf('/') + 1);

/** Attributes whose whole value is an address (HTML Living Standard, "attributes"). */
const ADDRESSES = /^(?:src|href|xlink:href|poster|data|background|longdesc|content)$/;

/** Edits that let every reference on a page follow files that were renamed: attributes, source sets, styles. */
export function renameOnPage(page: Page, address: string, renames: Renames): Edit[] {
  const edits: Edit[] = [];
  for (const element of page.elements) {
    for (const attribute of element.attributes) {
      const value = renamedValue(attribute, address, renames);
      if (value !== null && attribute.range) edits.push(rewritten(page, attribute, value));
    }
    if (element.tag === 'style' && element.startTag)
      for (const { start, end, text } of renameInStyles(rawText(element), address, renames))
        edits.push({ start: start + element.startTag.end, end: end + element.startTag.end, text });
  }
  return edits.sort((a, b) => a.start - b.start);
}

function renamedValue({ name, value }: Attribute, address: string, renames: Renames): string | null {
  if (ADDRESSES.test(name)) return renamedReference(value, address, renames);
  if (name === 'style') return unlessSame(value, applyEdits(value, renameInStyles(value, address, renames)));
  if (name !== 'srcset' && name !== 'imagesrcset') return null;
  const edits = candidatesIn(value).flatMap(({ start, end, address: one }) => {
    const now = renamedReference(one, address, renames);
    return now === null ? [] : { start, end, text: now };
  });
  return unlessSame(value, applyEdits(value, edits));
}

const unlessSame = (before: string, after: string) => (after === before ? null : after);

/** An attribute's value written anew in its own quotes. */
function rewritten(page: Page, { range }: Attribute, value: string): Edit {
  const raw = page.source.slice(range!.start, range!.end);
  const [before, quote = ''] = /^[^=]*=\s*(["']?)/.exec(raw) ?? [raw];
  const text = escapeValue(value).replaceAll(quote === "'" ? "'" : '\u0000', '&#39;');
  const safe = quote === '' && /[\s"'=<>`]/.test(value) ? `"${text}"` : quote === "'" ? text.replaceAll('&quot;', '"') : text;
  return { start: range!.start + before.length, end: range!.end - quote.length, text: safe };
}

/** The same for the text of a style sheet: `url()` and `@import`. */
export function renameInStyles(sheet: string, address: string, renames: Renames): Edit[] {
  const edits: Edit[] = [];
  for (const found of sheet.matchAll(/(url\(\s*|@import\s+)("[^"]*"|'[^']*'|[^\s"'();]+)/gi)) {
    const [all, head, token] = found as unknown as [string, string, string];
    const quote = /^["']/.exec(token)?.[0] ?? '';
    const now = renamedReference(token.slice(quote.length, token.length - quote.length), address, renames);
    const start = found.index + head.length + quote.length;
    if (now !== null)
      edits.push({
        start,
        end: found.index + all.length - quote.length,
        text: now.replace(/["'()\s\\]/g, (sign) =>
          encodeURIComponent(sign).replace(/['()]/g, (one) => `%${one.charCodeAt(0).toString(16)}`),
        ),
      });
  }
  return edits;
}

/** The same for the addresses in an XML file: a manifest, a package document, a drawing. */
export function renameInXml(xml: string, address: string, renames: Renames): Edit[] {
  const bases = ['', ...[...xml.matchAll(/\bxml:base\s*=\s*["']([^"']*)["']/g)].map(([, base]) => unescaped(base!))];
  const edits = /<svg\b/i.test(xml) ? renameInStyles(xml, address, renames) : [];
  for (const found of xml.matchAll(/\b((?:xlink:)?href|src|full-path)(\s*=\s*["'])([^"']*)/g)) {
    const [all, name, , written] = found as unknown as [string, string, string, string];
    const value = unescaped(written);
    const from = name === 'full-path' ? '' : address;
    for (const base of bases) {
      const now = renamedReference(base + value, from, renames);
      if (now === null || !now.startsWith(base)) continue;
      edits.push({
        start: found.index + all.length - written.length,
        end: found.index + all.length,
        text: escapeValue(now.slice(base.length)),
      });
      break;
    }
  }
  return edits.sort((a, b) => a.start - b.start);
}

function unescaped(value: string): string {
  return value.replaceAll('&lt;', '<').replaceAll('&gt;', '>').replaceAll('&quot;', '"').replaceAll('&apos;', "'").replaceAll('&amp;', '&');
}
