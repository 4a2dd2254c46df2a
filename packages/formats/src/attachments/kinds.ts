/** What comes with pages and is none: nobody sees what is wrong inside by looking at a page. */
export const ATTACHMENT_KINDS = ['PDF', 'document', 'spreadsheet', 'slides', 'archive', 'captions', 'sound', 'video', 'book'] as const;
export type AttachmentKind = (typeof ATTACHMENT_KINDS)[number];

const BY_ENDING: Readonly<Record<AttachmentKind, readonly string[]>> = {
  PDF: ['pdf'],
  document: ['doc', 'docx', 'odt', 'rtf', 'pages'],
  spreadsheet: ['xls', 'xlsx', 'ods', 'csv', 'tsv'],
  slides: ['ppt', 'pptx', 'odp', 'key'],
  archive: ['zip', 'rar', '7z', 'tar', 'gz', 'tgz', 'bz2', 'xz'],
  captions: ['vtt', 'srt'],
  sound: ['mp3', 'wav', 'ogg', 'oga', 'm4a', 'flac', 'aac'],
  video: ['mp4', 'm4v', 'webm', 'mov', 'avi', 'mkv', 'ogv'],
  book: ['epub'],
};
const ENDINGS = new Map(ATTACHMENT_KINDS.flatMap((kind) => BY_ENDING[kind].map((ending) => [ending, kind])));

/** The kind of attachment a file is by the end of its name; null for pages and for what makes them up. */
export function attachmentKindOf(path: string): AttachmentKind | null {
  const ending = /\.([a-z0-9]+)$/i.exec(path)?.[1]?.toLowerCase();
  return (ending && ENDINGS.get(ending)) || null;
}
