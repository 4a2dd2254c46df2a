/** A document as a page with the files it shows, ready to be a package. */
export interface Converted {
  /** What it is called: its own title, or its first heading; '' where it says neither. */
  title: string;
  /** The page first. */
  files: readonly { path: string; bytes: Uint8Array }[];
  /** What of it has no equivalent in a page: where, and the end of a sentence. */
  troubles: readonly { path: string; what: string }[];
}

/** A document that cannot be read, with the reason as a sentence. */
export class UnreadableDocument extends Error {}

/** The name a document's page gets: that of its file, in lower case and dashed. */
export function pageNameOf(fileName: string): string {
  const name = fileName
    .replace(/^.*[/\\]/, '')
    .replace(/\.[^.]+$/, '')
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return `${name || 'page'}.html`;
}
