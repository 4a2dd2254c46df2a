import { lookup, escapeText } from '@inkwell/core';
import { readPlace, type Source } from '../packages/source.ts';
import { UnreadableEntry } from '../zip/entry.ts';
import { pageNameOf, UnreadableDocument, type Converted } from './converted.ts';

/** Whether an archive is a word-processor document (ECMA-376: its main part, in the place every word processor writes it to). */
export function isDocx({ files }: Pick<Source, 'files'>): boolean {
  const paths = new Set(files.map(({ path }) => path));
  return paths.has('[Content_Types].xml') && paths.has('word/document.xml');
}

/** Largest document converted, in bytes unpacked: the converter holds all of it. */
const LARGEST = 300_000_000;
const LONGEST_PART = 20_000_000;

/**
 * A word-processor document as a page: its headings, lists, tables, links, notes and images with their alternatives. The document itself
 * goes along as a file.
 *
 * @param bytes the document
 * @param source the same, as an archive whose limits were kept
 * @throws UnreadableDocument
 */
export async function convertDocx(bytes: Buffer, source: Source, fileName: string): Promise<Converted> {
  if (source.files.reduce((sum, { size }) => sum + size, 0) > LARGEST)
    throw new UnreadableDocument('It unpacks to more than a document of text and images would.');
  // Only who has one to convert waits for the converter.
  const { default: mammoth } = await import('mammoth');
  const page = pageNameOf(fileName);
  const images: { path: string; bytes: Uint8Array }[] = [];
  const convertImage = mammoth.images.imgElement(async (image) => {
    const ending = lookup(ENDINGS, image.contentType) ?? 'bin';
    const path = `${page.replace(/\.html$/, '')}-images/image-${images.length + 1}.${ending}`;
    images.push({ path, bytes: new Uint8Array(await image.readAsArrayBuffer()) });
    return { src: path };
  });
  const result = await mammoth
    .convertToHtml({ buffer: bytes }, { convertImage, styleMap: STYLES, externalFileAccess: false })
    .catch((error: unknown) => {
      throw new UnreadableDocument(`Its text cannot be read: ${error instanceof Error ? error.message : String(error)}.`);
    });
  const about = { title: await titleIn(source), language: await languageIn(source) };
  const title = about.title || firstHeading(result.value);
  const html = documentOf({ ...about, title: title || page.replace(/\.html$/, '') }, result.value);
  return {
    title,
    files: [{ path: page, bytes: Buffer.from(html) }, ...images, { path: originalName(fileName), bytes }],
    troubles: troublesOf(result.messages, page),
  };
}

const ENDINGS: Readonly<Record<string, string | undefined>> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/gif': 'gif',
  'image/svg+xml': 'svg',
  'image/webp': 'webp',
  'image/tiff': 'tiff',
  'image/bmp': 'bmp',
  'image/x-emf': 'emf',
  'image/x-wmf': 'wmf',
};

/** Styles of word processors beside those the converter knows. */
const STYLES = [
  "p[style-name='Title'] => h1:fresh",
  "p[style-name='Subtitle'] => p:fresh",
  "p[style-name='Quote'] => blockquote:fresh",
  "p[style-name='Intense Quote'] => blockquote:fresh",
  "p[style-name='caption'] => p:fresh",
  "p[style-name='Caption'] => p:fresh",
  "p[style-name='List Paragraph'] => p:fresh",
];

const originalName = (fileName: string) => fileName.replace(/^.*[/\\]/, '') || 'document.docx';

/** What a part of the document says between two tags, in plain words. */
async function partOf({ files }: Source, path: string): Promise<string> {
  const file = files.find((one) => one.path === path);
  if (!file) return '';
  try {
    return (await readPlace(file.place, LONGEST_PART)).toString('utf8');
  } catch (error) {
    if (error instanceof UnreadableEntry) return '';
    throw error;
  }
}

async function titleIn(source: Source): Promise<string> {
  const written = /<dc:title[^>]*>([^<]*)</.exec(await partOf(source, 'docProps/core.xml'))?.[1] ?? '';
  return plain(written);
}

/** The language the document is written in by default (ECMA-376 part 1, 17.3.2.20). */
async function languageIn(source: Source): Promise<string> {
  return /<w:lang\b[^>]*\bw:val="([A-Za-z]{2,3}(?:-[A-Za-z0-9]+)*)"/.exec(await partOf(source, 'word/styles.xml'))?.[1] ?? '';
}

const firstHeading = (html: string) => plain((/<h[1-6][^>]*>([\s\S]*?)<\/h[1-6]>/.exec(html)?.[1] ?? '').replace(/<[^>]*>/g, ''));

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };

function plain(xml: string): string {
  return xml
    .replace(/&(amp|lt|gt|quot|apos);/g, (_whole, name: string) => lookup(ENTITIES, name)!)
    .replace(/\s+/g, ' ')
    .trim();
}

function documentOf({ title, language }: { title: string; language: string }, body: string): string {
  const lang = language === '' ? '' : ` lang="${language}"`;
  const lines = body.replace(/(<\/(?:p|h[1-6]|ul|ol|table|blockquote|li|tr)>)(?=<)/g, '$1\n');
  return `<!DOCTYPE html>\n<html${lang}>\n<head>\n<meta charset="utf-8">\n<title>${escapeText(title)}</title>\n</head>\n<body>\n${lines}\n</body>\n</html>\n`;
}

/** What the converter could not carry over, each kind once and in our words. */
function troublesOf(messages: readonly { message: string }[], path: string): Converted['troubles'] {
  const told = new Set<string>();
  for (const { message } of messages) {
    const style = /^Unrecogni[sz]ed (paragraph|run|table) style: '?(.*?)'? \(/.exec(message);
    const element = /element was ignored: (\S+)/.exec(message);
    if (style) told.add(`has the style “${style[2]!}”, which a page does not have: its text is plain`);
    else if (element) told.add(`holds something a page has no equivalent for (${element[1]!}), which was left out`);
    else if (/image/i.test(message)) told.add('holds an image of a kind that browsers do not show');
    else told.add(`was converted with a remark: ${message}`);
  }
  return [...told].map((what) => ({ path, what }));
}
